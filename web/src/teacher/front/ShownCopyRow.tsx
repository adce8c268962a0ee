import { type CopyRow, type Front, type ShownCopy, type WorksheetPage, worksOn } from '@hand-back/core'
import { X } from 'lucide-react'
import { Button } from '../../ui/Button.tsx'
import { INPUT } from '../../ui/Field.tsx'
import { Tick } from '../../ui/Tick.tsx'
import { frontChanged, frontWithout } from './frontAs.ts'

interface ShownCopyRowProps {
  row: CopyRow
  shown: ShownCopy
  front: Front | null
  show: (front: Front | null) => void
  pages: readonly WorksheetPage[]
  /** The next that is drawn on it is the part that stays. */
  cuts: boolean
  onCut: () => void
  invited: boolean
  onInvite: (writes: boolean) => void
}

/** A copy that is shown: which page, all or a part of it, with its name or without, and whether its student writes there. */
export function ShownCopyRow(props: ShownCopyRowProps) {
  const { row, shown, front, show, pages, cuts, onCut, invited, onInvite } = props
  const change = (to: Partial<ShownCopy>) => show(frontChanged(front, shown.copy, to))
  return (
    <section aria-label={row.name} className="grid gap-1 rounded-tag bg-blotter p-3">
      <div className="flex items-center gap-2">
        <b className="min-w-0 flex-1 truncate">{row.name}</b>
        <Button
          look="quiet"
          className="px-2"
          aria-label={`Take ${row.name} off`}
          onClick={() => show(frontWithout(front, shown.copy))}
        >
          <X size={17} aria-hidden="true" />
        </Button>
      </div>
      <div className="flex gap-2">
        <select
          aria-label={`Page of ${row.name}`}
          value={shown.page}
          onChange={(event) => change({ page: event.target.value, part: null })}
          className={INPUT}
        >
          {pages.map(({ id }, index) => (
            <option key={id} value={id}>
              page {index + 1}
            </option>
          ))}
        </select>
        {shown.part ? (
          <Button className="whitespace-nowrap" onClick={() => change({ part: null })}>
            All of it
          </Button>
        ) : (
          <Button
            aria-pressed={cuts}
            className="whitespace-nowrap aria-pressed:border-verdigris aria-pressed:bg-card"
            onClick={onCut}
          >
            A part
          </Button>
        )}
      </div>
      {cuts && <p className="text-ink-soft text-sm">Draw round what stays.</p>}
      <Tick ticked={shown.named} onTick={(named) => change({ named })}>
        with the name
      </Tick>
      {worksOn(row.state) && (
        <Tick ticked={invited} onTick={onInvite}>
          {row.students.length === 1 ? 'asked' : 'are asked'} to write here
        </Tick>
      )}
    </section>
  )
}
