import type { Changes } from './useChanges.ts'

interface WhatChangedProps {
  /** The round that is looked at; from 2. */
  round: number
  shown: boolean
  onShow: (shown: boolean) => void
  /** Nothing until they are known. */
  changes: Changes | undefined
}

/** Shows on the page what its student changed since the round before. */
export function WhatChanged({ round, shown, onShow, changes }: WhatChangedProps) {
  return (
    <section className="flex shrink-0 flex-wrap items-center gap-x-5 border-b border-rule bg-card px-4 py-0.5">
      <label className="flex min-h-[32px] cursor-pointer items-center gap-2 font-semibold pointer-coarse:min-h-11">
        <input
          type="checkbox"
          checked={shown}
          onChange={(event) => onShow(event.target.checked)}
          className="h-[18px] w-[18px] accent-verdigris"
        />
        What changed since round {round - 1}
      </label>
      {shown && (
        <span aria-live="polite" className="text-ink-soft">
          {changes ? toldOf(changes) : 'Fetching …'}
        </span>
      )}
    </section>
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
