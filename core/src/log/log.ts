import { apply, applyAll, emptyPage, type Page } from './apply.ts'
import type { KeptEvent, Layer, SignedEvent } from './events.ts'
import { byPage } from './past.ts'

/** How far one has read each layer of a copy: the last sequence number seen, 0 for none. */
export type ReadTo = Readonly<Record<Layer, number>>

export const readNothing: ReadTo = { work: 0, help: 0, feedback: 0, pins: 0 }

/**
 * A copy as one device knows it: what the server has kept, and on top what this device made and the
 * server has not yet acknowledged.
 */
export interface CopyLog {
  readonly readTo: ReadTo
  readonly kept: ReadonlyMap<string, Page>
  readonly pending: readonly SignedEvent[]
  /** The pages as they are to be seen: kept, with pending on top. */
  readonly pages: ReadonlyMap<string, Page>
}

export const emptyLog: CopyLog = { readTo: readNothing, kept: new Map(), pending: [], pages: new Map() }

/** The page `id` as it is to be seen. */
export function pageOf(log: CopyLog, id: string): Page {
  return log.pages.get(id) ?? emptyPage
}

/** The log after this device made `event`. An event made before changes nothing. */
export function make(log: CopyLog, event: SignedEvent): CopyLog {
  const page = pageOf(log, event.page)
  if (page.applied.has(event.id)) return log
  return {
    ...log,
    pending: [...log.pending, event],
    pages: new Map(log.pages).set(event.page, apply(page, event)),
  }
}

/**
 * The log after the server told of kept events, in any order, with repeats.
 *
 * Each layer is read strictly in sequence. `missing` is true when events in between have not arrived:
 * those after the gap are left for later and the caller asks again from `readTo`.
 */
export function receive(log: CopyLog, events: readonly KeptEvent[]): { log: CopyLog; missing: boolean } {
  const readTo = { ...log.readTo }
  let missing = false
  const taken: KeptEvent[] = []
  for (const event of [...events].sort((a, b) => a.seq - b.seq)) {
    if (event.seq <= readTo[event.layer]) continue
    if (event.seq > readTo[event.layer] + 1) {
      missing = true
      continue
    }
    readTo[event.layer] = event.seq
    taken.push(asMadeHere(log, event))
  }
  return { log: taken.length === 0 ? log : keep(log, readTo, taken), missing }
}

/** The log as if nothing of a layer that is not this person's own had been read: school tells it otherwise now. */
export function unread(log: CopyLog, layer: Layer): CopyLog {
  const without = (page: Page): Page => ({
    ...page,
    placed: new Map([...page.placed].filter(([, placed]) => placed.layer !== layer)),
    // Of the other layers nothing is told twice: each is read in sequence.
    applied: new Set(),
  })
  const kept = new Map([...log.kept].map(([id, page]) => [id, without(page)]))
  const pages = new Map(kept)
  for (const [id, pending] of byPage(log.pending)) pages.set(id, applyAll(kept.get(id) ?? emptyPage, pending))
  return { ...log, readTo: { ...log.readTo, [layer]: 0 }, kept, pages }
}

/** What this device made itself keeps its own objects, so that what was drawn from them stays drawn. */
function asMadeHere(log: CopyLog, event: KeptEvent): KeptEvent {
  const made = log.pending.find((pending) => pending.id === event.id)
  return made?.act === 'add' && event.act === 'add' ? { ...event, items: made.items } : event
}

function keep(log: CopyLog, readTo: ReadTo, events: readonly KeptEvent[]): CopyLog {
  const arrived = new Set(events.map((event) => event.id))
  const pending = log.pending.filter((event) => !arrived.has(event.id))
  const kept = new Map(log.kept)
  const pages = new Map(log.pages)
  for (const [id, pageEvents] of byPage(events)) {
    const page = applyAll(kept.get(id) ?? emptyPage, pageEvents)
    kept.set(id, page)
    const mine = pending.filter((event) => event.page === id)
    pages.set(id, mine.length === 0 ? page : applyAll(page, mine))
  }
  return { readTo, kept, pending, pages }
}

/** Takes back events that the server will never keep, so that what is seen is true. */
export function forget(log: CopyLog, ids: ReadonlySet<string>): CopyLog {
  const dropped = log.pending.filter((event) => ids.has(event.id))
  const pending = log.pending.filter((event) => !ids.has(event.id))
  const pages = new Map(log.pages)
  for (const id of new Set(dropped.map((event) => event.page))) {
    pages.set(
      id,
      applyAll(
        log.kept.get(id) ?? emptyPage,
        pending.filter((event) => event.page === id),
      ),
    )
  }
  return { ...log, pending, pages }
}
