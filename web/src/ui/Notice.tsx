import type { UseQueryResult } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { Problem, sentenceOf } from '../api/ask.ts'
import { Button, LinkButton } from './Button.tsx'

/** What a screen says when it has nothing to show: what to do next. */
export function Empty({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mx-auto mt-10 max-w-md rounded-md border border-rule bg-card p-8 text-center">
      <h2 className="text-xl">{title}</h2>
      <div className="mt-2 text-ink-soft">{children}</div>
    </section>
  )
}

/** What happened, what is safe, and what to do: try again, or go where there is something. */
export function Trouble({ error, again }: { error: unknown; again?: () => void }) {
  const status = error instanceof Problem ? error.status : 0
  const gone = status === 404
  return (
    <section
      role="alert"
      className="mx-auto mt-10 max-w-md rounded-md border border-rule bg-card p-8 text-center"
    >
      <p className="text-lg">{sentenceOf(error)}</p>
      <div className="mt-4 flex justify-center gap-3">
        {again && !gone && (
          <Button large onClick={again}>
            Try again
          </Button>
        )}
        {(gone || status === 410) && (
          <LinkButton to="/" large>
            Back to the start
          </LinkButton>
        )}
      </div>
    </section>
  )
}

/** Holds the place of what is coming. It appears only after a moment, so that quick answers do not flash. */
export function Loading({ what = 'Fetching …' }: { what?: string }) {
  return (
    <p role="status" className="mx-auto mt-16 w-fit animate-[appear_0s_0.4s_both] text-ink-soft">
      {what}
    </p>
  )
}

/** Shows what a question brought, or that it is under way, or what went wrong. */
export function Fetched<T>({ of, children }: { of: UseQueryResult<T>; children: (answer: T) => ReactNode }) {
  if (of.data !== undefined) return children(of.data)
  if (of.isError) return <Trouble error={of.error} again={() => void of.refetch()} />
  return <Loading />
}
