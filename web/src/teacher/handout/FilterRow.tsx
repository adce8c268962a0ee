import type { CopyState } from '@hand-back/core'
import { Corner, STATE_WORDS } from '../../ui/Corner.tsx'
import { OneOf, Option } from '../../ui/OneOf.tsx'
import { PILE_FILTERS, type PileFilter } from '../marking/pileFilter.ts'

interface FilterRowProps {
  offered: readonly { readonly filter: PileFilter; readonly count: number }[]
  filter: PileFilter | undefined
  onFilter: (filter: PileFilter | undefined) => void
}

/** How many copies stand where; a press shows only those, the next press all again. */
export function FilterRow({ offered, filter, onFilter }: FilterRowProps) {
  return (
    <OneOf
      label="Show only"
      value={filter}
      onChoose={onFilter}
      onClear={() => onFilter(undefined)}
      className="flex flex-wrap gap-2"
    >
      {offered.map(({ filter: each, count }) => (
        <Option
          key={each}
          value={each}
          className={`inline-flex min-h-[36px] items-center gap-1.5 rounded-tag border px-2.5 pointer-coarse:min-h-11 ${filter === each ? 'border-ink bg-sheet font-semibold shadow-[inset_0_-3px_0_var(--color-verdigris)]' : 'border-rule bg-card hover:bg-blotter'}`}
        >
          {isState(each) && <Corner state={each} />}
          <b className="tabular">{count}</b>
          <span className={each === 'late' || each === 'overdue' ? 'text-ochre' : ''}>
            {PILE_FILTERS[each]}
          </span>
        </Option>
      ))}
    </OneOf>
  )
}

const isState = (filter: PileFilter): filter is CopyState => filter in STATE_WORDS
