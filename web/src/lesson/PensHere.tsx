import { boundsOfItem, type CopyWhole, eventsNews, type Point } from '@hand-back/core'
import { useEffect, useState } from 'react'
import { hear, live } from '../api/live.ts'
import type { View } from '../page/view/view.ts'

/** A name stays at a pen for so long after its stroke, in milliseconds. */
const STAYS = 4000

interface Pen {
  readonly page: string
  readonly at: Point
  readonly until: number
}

/** Where the others who share a copy write just now, by whose pen it is. */
export function usePens(copy: Pick<CopyWhole, 'id' | 'way'>, self: string): ReadonlyMap<string, Pen> {
  const [pens, setPens] = useState<ReadonlyMap<string, Pen>>(new Map())
  const { id, way } = copy
  useEffect(() => {
    if (way !== 'group' && way !== 'all') return
    return hear(live(), 'events', eventsNews, ({ copy: of, events }) => {
      if (of !== id) return
      const now = performance.now()
      const fresh = events.flatMap((event): [string, Pen][] => {
        const last = event.act === 'add' && event.author !== self ? event.items.at(-1) : undefined
        const bounds = last && boundsOfItem(last)
        if (!bounds || event.layer !== 'work') return []
        return [[event.author, { page: event.page, at: { x: bounds.x1, y: bounds.y0 }, until: now + STAYS }]]
      })
      if (fresh.length > 0) setPens((before) => new Map([...before, ...fresh]))
    })
  }, [id, way, self])
  useEffect(() => {
    if (pens.size === 0) return
    const next = Math.min(...[...pens.values()].map(({ until }) => until)) - performance.now()
    const gone = () =>
      setPens((before) => new Map([...before].filter(([, { until }]) => until > performance.now())))
    const timer = setTimeout(gone, Math.max(0, next) + 20)
    return () => clearTimeout(timer)
  }, [pens])
  return pens
}

interface PensHereProps {
  copy: CopyWhole
  pens: ReadonlyMap<string, Pen>
  page: string
  view: View
}

/** The names of those who write on this page just now, beside what they wrote last. */
export function PensHere({ copy, pens, page, view }: PensHereProps) {
  const names = new Map(copy.students.map(({ id, name }) => [id, name]))
  return [...pens]
    .filter(([who, pen]) => pen.page === page && names.has(who))
    .map(([who, { at }]) => (
      <span
        key={who}
        data-testid="pen-name"
        className="pointer-events-none absolute -translate-y-full whitespace-nowrap rounded-tag bg-slate px-1.5 text-sheet text-xs"
        style={{ left: view.x + at.x * view.scale + 4, top: view.y + at.y * view.scale - 2 }}
      >
        {names.get(who)!.split(' ')[0]}
      </span>
    ))
}
