import type { ReactNode } from 'react'
import { Button } from './Button.tsx'

interface RequestFormProps {
  form: { readonly submit: () => Promise<void>; readonly refused: string | undefined; readonly busy: boolean }
  /** What its button says. */
  send: string
  /** There is something to send. */
  ready?: boolean
  large?: boolean
  className?: string
  children: ReactNode
}

/** The fields of a request, what school said to it, and the button that sends it, by a press or by Enter. */
export function RequestForm({
  form,
  send,
  ready = true,
  large = false,
  className = 'flex flex-col gap-4',
  children,
}: RequestFormProps) {
  return (
    <form
      noValidate
      className={className}
      onSubmit={(event) => {
        event.preventDefault()
        void form.submit()
      }}
    >
      {children}
      {form.refused && (
        <p role="alert" className="text-madder">
          {form.refused}
        </p>
      )}
      <Button
        type="submit"
        look="main"
        large={large}
        disabled={form.busy || !ready}
        className={large ? '' : 'self-start'}
      >
        {send}
      </Button>
    </form>
  )
}
