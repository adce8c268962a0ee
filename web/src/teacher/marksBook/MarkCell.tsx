import { sayMarks } from '@hand-back/core'
import type { KeyboardEvent } from 'react'
import { useTypedMarks } from '../marking/useTypedMarks.ts'

interface MarkCellProps {
  /** What it is called, for those who hear it. */
  name: string
  /** In hundredths of a mark. */
  given: number | undefined
  full: number
  readOnly?: boolean
  onGive: (hundredths: number) => void
  onTake: () => void
}

/** Marks in a table: typed; Enter and the arrow keys go to the row below or above, in the same column. */
export function MarkCell({ name, given, full, readOnly = false, onGive, onTake }: MarkCellProps) {
  const { shown, isWrong, tooMuch, type, keep, leave } = useTypedMarks(given, full, onGive, onTake)
  const press = (event: KeyboardEvent<HTMLInputElement>) => {
    const { key, shiftKey } = event
    if (event.ctrlKey || event.metaKey || event.altKey) return
    if (key === 'Escape') leave(event.currentTarget)
    else if ((key === 'Enter' && !shiftKey) || key === 'ArrowDown') toRow(event.currentTarget, 1)
    else if (key === 'Enter' || key === 'ArrowUp') toRow(event.currentTarget, -1)
    else return
    event.preventDefault()
  }
  return (
    <span className="inline-flex flex-col">
      <input
        aria-label={name}
        inputMode="decimal"
        autoComplete="off"
        readOnly={readOnly}
        value={shown}
        aria-invalid={isWrong || undefined}
        onFocus={({ currentTarget }) => currentTarget.select()}
        onChange={({ target }) => type(target.value)}
        onBlur={keep}
        onKeyDown={press}
        className={`h-[34px] w-[56px] rounded-tag border bg-transparent pl-1.5 text-left font-serif font-semibold text-madder tabular hover:border-rule hover:bg-sheet focus:border-ink-soft focus:bg-sheet pointer-coarse:h-11 ${
          isWrong
            ? 'border-madder outline outline-2 outline-madder'
            : given === undefined && !readOnly
              ? 'border-dashed border-rule'
              : 'border-transparent'
        } ${readOnly ? 'pointer-events-none' : ''}`}
      />
      {isWrong && (
        <span role="alert" className="w-[90px] text-small text-madder">
          {tooMuch ? `At most ${sayMarks(full)}.` : 'A number, such as 1½.'}
        </span>
      )}
    </span>
  )
}

/** The same column, so many rows on. */
function toRow(field: HTMLElement, by: 1 | -1): void {
  const cell = field.closest('td')
  const column = cell?.cellIndex
  let row = cell?.parentElement
  while (row && column !== undefined) {
    row = (by === 1 ? row.nextElementSibling : row.previousElementSibling) as HTMLElement | null
    const next = (row as HTMLTableRowElement | null)?.cells[column]?.querySelector('input')
    if (next) {
      next.focus()
      return
    }
  }
  field.blur()
}
