import type { WorksheetWhole } from '@hand-back/core'
import { SMALL_INPUT } from './panels/rows.tsx'

interface SetChoiceProps {
  sets: WorksheetWhole['sheet']['sets']
  set: string
  onChoose: (set: string) => void
}

/** For which students of a worksheet one looks at it; nothing where it is the same for all. */
export function SetChoice({ sets, set, onChoose }: SetChoiceProps) {
  if (sets.length === 0) return null
  return (
    <label className="flex items-center gap-2 whitespace-nowrap">
      As one of
      <select className={SMALL_INPUT} value={set} onChange={(event) => onChoose(event.target.value)}>
        {sets.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  )
}
