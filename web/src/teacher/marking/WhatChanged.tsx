import { ShowRow } from './ShowRow.tsx'
import type { Changes } from './useChanges.ts'

interface WhatChangedProps {
  /** The round that is looked at; from 2. */
  round: number
  shown: boolean
  onShow: (shown: boolean) => void
  /** The questions that this round is for, in words; nothing: everything. */
  goFor: string
  /** Nothing until they are known. */
  changes: Changes | undefined
}

/** Shows on the page what its student changed since the round before. */
export function WhatChanged({ round, shown, onShow, goFor, changes }: WhatChangedProps) {
  return (
    <ShowRow
      label={`What changed since round ${round - 1}`}
      shown={shown}
      onShow={onShow}
      aside={goFor && <span className="ml-auto text-ink-soft">This go was at {goFor}.</span>}
    >
      <span aria-live="polite" className="text-ink-soft">
        {changes ? toldOf(changes) : 'Fetching …'}
      </span>
    </ShowRow>
  )
}

function toldOf({ fresh, gone }: Changes): string {
  if (fresh.length + gone.length === 0) return 'Nothing on this page.'
  const places = (count: number) => `${count} ${count === 1 ? 'place' : 'places'}`
  return [
    ...(fresh.length > 0 ? [`new in ${places(fresh.length)}`] : []),
    ...(gone.length > 0 ? [`gone in ${places(gone.length)}`] : []),
  ].join(', ')
}
