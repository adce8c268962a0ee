import { Component, type ReactNode } from 'react'
import { Button } from './Button.tsx'

/** Catches what fails while a screen is drawn, so that nobody looks at an empty window. */
export class ErrorBoundary extends Component<{ children: ReactNode }, { failed: boolean }> {
  override state = { failed: false }

  static getDerivedStateFromError() {
    return { failed: true }
  }

  override render() {
    if (!this.state.failed) return this.props.children
    return (
      <section
        role="alert"
        className="mx-auto mt-16 max-w-md rounded-md border border-rule bg-card p-8 text-center"
      >
        <h1 className="text-xl">This screen has failed</h1>
        <p className="mt-2 mb-4">
          What you made is kept, on this device and at school. Load it again to go on.
        </p>
        <Button look="main" large onClick={() => location.reload()}>
          Load again
        </Button>
      </section>
    )
  }
}
