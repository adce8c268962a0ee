import type { ReactNode } from 'react'

/** A form that acts instead of leaving the page, by its button or by Enter. */
export function ActForm({
  onAct,
  className,
  children,
}: {
  onAct: () => Promise<void>
  className: string
  children: ReactNode
}) {
  return (
    <form
      className={className}
      onSubmit={(event) => {
        event.preventDefault()
        void onAct()
      }}
    >
      {children}
    </form>
  )
}
