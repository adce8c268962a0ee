import { CALLS, type CopyRow, type CopySum } from '@hand-back/core'
import { Check } from 'lucide-react'
import { ask } from '../../api/ask.ts'
import { Button } from '../../ui/Button.tsx'
import { sayProblem } from '../../ui/notices.ts'
import { isReviewed } from './pileOrder.ts'

/** Says that a copy is reviewed, or is not after all. The table is told of it live. */
export function sayReviewed(row: CopyRow, sums: readonly CopySum[]): void {
  ask(CALLS.changeCopy, { copy: row.id }, { reviewed: !isReviewed(row, sums) }).catch(sayProblem)
}

/** Whether this copy is reviewed: by itself when all its questions have marks, or as the teacher says. */
export function Reviewed({ row, sums }: { row: CopyRow; sums: readonly CopySum[] }) {
  const reviewed = isReviewed(row, sums)
  return (
    <Button
      aria-pressed={reviewed}
      title="V"
      onClick={() => sayReviewed(row, sums)}
      className={`flex-1 !gap-1.5 !px-1 ${reviewed ? '!border-madder !text-madder' : ''}`}
    >
      {reviewed && <Check size={18} aria-hidden="true" />}
      Reviewed
    </Button>
  )
}
