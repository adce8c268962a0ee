import {
  type AtWork,
  type CopyRow,
  type Doing,
  isOnLayer,
  pagesNow,
  type WorksheetPage,
} from '@hand-back/core'
import { useEffect, useRef } from 'react'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import type { RoomCopy } from './roomCopies.ts'
import { isReached, type Whereabout } from './useRoom.ts'

/**
 * When something was last done on each copy by its students, as far as it was seen from here. The map is the same one
 * all the time: a class writes far more often than anybody needs to look.
 */
export function useLastDone(copies: ReadonlyMap<string, RoomCopy>): ReadonlyMap<string, number> {
  const done = useRef(new Map<string, number>())
  const followed = useRef(new Map<CopyStore, () => void>())
  useEffect(() => {
    for (const [id, { store }] of copies) {
      if (followed.current.has(store)) continue
      const stop = store.view.subscribe(({ log, ready }, before) => {
        // What was there before one came is not done now.
        if (before.ready && ready && log.readTo.work > before.log.readTo.work)
          done.current.set(id, Date.now())
      })
      followed.current.set(store, stop)
    }
  }, [copies])
  useEffect(() => {
    const stops = followed.current
    return () => {
      for (const stop of stops.values()) stop()
      stops.clear()
    }
  }, [])
  return done.current
}

/** What is known of a copy and whoever sits at it. */
export function atWork(
  row: CopyRow,
  where: readonly Whereabout[],
  seenDone: number | undefined,
  handUpAt: number | undefined,
  now: number,
): AtWork {
  const there = where.filter((each) => isReached(each, now))
  const present = there.some(({ away }) => !away) ? 'here' : there.length > 0 ? 'away' : 'gone'
  const times = [...there.map(({ doneAt }) => doneAt), ...(seenDone === undefined ? [] : [seenDone])]
  return {
    ...{ copy: row.id, state: row.state, present, handUpAt },
    lastDone: times.length > 0 ? Math.max(...times) : undefined,
  }
}

/** The page that is looked at in a copy, or was last, and its number from 1; nothing where that is not known yet. */
export function pageAt(
  { whole, store }: RoomCopy,
  page: string | undefined | null,
): { page: WorksheetPage; number: number } {
  const pages = pagesNow(whole.pages, store.view.getState().log.pages)
  const index = Math.max(
    0,
    pages.findIndex(({ id }) => id === page),
  )
  return { page: pages[index]!, number: index + 1 }
}

/** Which pages of a copy its students have written on: a letter for each page in order, + or -. */
export function touchedPages({ whole, store }: RoomCopy): string {
  const { log } = store.view.getState()
  return pagesNow(whole.pages, log.pages)
    .map(({ id }) => (isOnLayer(log, id, 'work') ? '+' : '-'))
    .join('')
}

const STATES = { 'handed in': 'handed in', 'handed back': 'handed back' } as Readonly<Record<string, string>>

/** What somebody does, in a word or two beside their name. */
export function sayDoing(doing: Doing, of: AtWork, page: number | undefined, now: number): string {
  if (doing === 'asks') return `asks${sayMinutes(now - of.handUpAt!)}`
  if (doing === 'still') return `still${sayMinutes(now - (of.lastDone ?? now))}`
  if (doing === 'writing') return 'writing'
  if (doing === 'gone') return 'out of reach'
  if (doing === 'with you') return STATES[of.state] ?? 'with you'
  if (doing === 'here')
    return `${page === undefined ? 'here' : `page ${page}`}${sayMinutes(now - (of.lastDone ?? now), ' · ')}`
  return doing
}

function sayMinutes(milliseconds: number, before = ' '): string {
  const minutes = Math.floor(milliseconds / 60_000)
  return minutes < 1 ? '' : `${before}${minutes} min`
}
