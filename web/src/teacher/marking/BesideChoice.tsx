import type { CopyRow, HandoutWhole } from '@hand-back/core'
import { INPUT } from '../../ui/Field.tsx'

/** The worked copy of the worksheet stands beside the copy that is marked. */
export const WORKED = 'worked'

interface BesideChoiceProps {
  handout: HandoutWhole
  row: CopyRow
  beside: string | undefined
  onBeside: (beside: string | undefined) => void
}

/** What stands beside the copy that is marked: nothing, the worked copy of its worksheet, or another copy. */
export function BesideChoice({ handout, row, beside, onBeside }: BesideChoiceProps) {
  return (
    <select
      aria-label="Beside it"
      value={beside ?? ''}
      onChange={({ target }) => onBeside(target.value || undefined)}
      className={`${INPUT} !w-48 max-tablet:!w-40`}
    >
      <option value="">nothing beside it</option>
      <option value={WORKED}>the worked copy</option>
      {handout.copies
        .filter(({ id }) => id !== row.id)
        .map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
    </select>
  )
}
