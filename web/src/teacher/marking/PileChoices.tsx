import type { HandoutWhole } from '@hand-back/core'
import { INPUT } from '../../ui/Field.tsx'
import { HideNames } from './HideNames.tsx'
import { filtersOf, PILE_FILTERS, type PileFacts, type PileFilter } from './pileFilter.ts'
import { PILE_ORDERS, type PileOrder } from './pileOrder.ts'
import type { PileWish } from './usePile.ts'

interface PileChoicesProps {
  handout: HandoutWhole
  facts: PileFacts
  wish: PileWish
  onWish: (wish: PileWish) => void
}

/** Which copies one goes through and in which order, and whether one sees names: school sends none while they are hidden. */
export function PileChoices({ handout, facts, wish, onWish }: PileChoicesProps) {
  return (
    <>
      <select
        aria-label="Which copies"
        value={wish.only ?? 'all'}
        onChange={({ target }) =>
          onWish({ ...wish, only: target.value === 'all' ? undefined : (target.value as PileFilter) })
        }
        className={`${INPUT} !w-44 max-tablet:!w-[100px]`}
      >
        <option value="all">all {handout.copies.length}</option>
        {filtersOf(handout.copies, facts).map(({ filter, count }) => (
          <option key={filter} value={filter}>
            {PILE_FILTERS[filter]} ({count})
          </option>
        ))}
      </select>
      <select
        aria-label="Order of the pile"
        value={wish.by}
        onChange={({ target }) => onWish({ ...wish, by: target.value as PileOrder })}
        className={`${INPUT} !w-44 max-tablet:!w-[100px]`}
      >
        {Object.entries(PILE_ORDERS).map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
      <HideNames handout={handout} />
    </>
  )
}
