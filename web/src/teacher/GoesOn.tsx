import { Button } from '../ui/Button.tsx'
import { sayWhen } from '../ui/when.ts'
import type { Draft } from './useDraft.ts'

/** Says that something goes on where it was left, and lets one begin anew. */
export function GoesOn({ draft }: { draft: Draft<unknown> }) {
  if (draft.goesOnFrom === undefined) return null
  return (
    <p
      role="status"
      className="flex flex-wrap items-center gap-x-4 gap-y-1 rounded-tag border border-rule bg-card px-4 py-2"
    >
      <span>You go on where you left off, {sayWhen(draft.goesOnFrom)}.</span>
      <Button look="quiet" className="text-verdigris" onClick={draft.startAfresh}>
        Start over
      </Button>
    </p>
  )
}
