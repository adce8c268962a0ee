import { attachmentsOf, type PageEvent, type SignedEvent } from '@hand-back/core'
import type { Kept } from './keepsake.ts'

const MOST_AT_ONCE = 100
/** Letters of packed ink in one message: well under what the server takes. */
const MOST_LETTERS = 800_000

/**
 * What goes to school next: events of one copy, oldest first, as many as one message takes. An event waits
 * for its attachments, and whatever is about the same items waits with it; ink goes on beside them.
 */
export function nextBatch<Entry extends Kept>(
  entries: readonly Entry[],
  isHeld: (event: string) => boolean,
  isComing: (attachment: string) => boolean = () => false,
): Entry[] {
  const able = withoutWaiting(
    entries.filter(({ event }) => !isHeld(event.id)),
    isComing,
  )
  const batch: Entry[] = []
  let letters = 0
  for (const entry of able) {
    if (entry.copy !== able[0]!.copy) continue
    letters += lettersOf(entry.event)
    if (batch.length > 0 && (letters > MOST_LETTERS || batch.length >= MOST_AT_ONCE)) break
    batch.push(entry)
  }
  return batch
}

function withoutWaiting<Entry extends Kept>(
  entries: readonly Entry[],
  isComing: (attachment: string) => boolean,
): Entry[] {
  const waiting = new Set<string>()
  return entries.filter(({ event }) => {
    const items = itemsOf(event)
    const waits = attachmentsOf(event).some(isComing) || items.some((item) => waiting.has(item))
    if (waits) for (const item of items) waiting.add(item)
    return !waits
  })
}

/** The items that an event is about, by their ids. */
function itemsOf(event: PageEvent): string[] {
  if (event.act === 'change') return [event.item]
  const named = 'items' in event ? event.items.map((item) => (typeof item === 'string' ? item : item.id)) : []
  return event.act === 'swap' ? [...named, ...event.take, ...event.bring] : named
}

/** An event as it is told: who made it is known by whose session it comes in. */
export function unsigned({ author: _author, round: _round, free: _free, ...event }: SignedEvent): PageEvent {
  return event as PageEvent
}

function lettersOf(event: PageEvent): number {
  const items = 'items' in event ? event.items : []
  const words = event.act === 'change' ? JSON.stringify(event).length : 0
  return items.reduce(
    (sum: number, item) =>
      sum + (typeof item === 'string' ? 40 : 300 + (item.kind === 'stroke' ? item.points.length : 0)),
    200 + words,
  )
}

/** What was made, in words: "18 strokes", "1 stroke and 3 other things". */
export function sayWhat(events: readonly PageEvent[]): string {
  const strokes = events.filter(
    (event) => event.act === 'add' && event.items.every(({ kind }) => kind === 'stroke'),
  )
  const others = events.length - strokes.length
  const some = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`
  if (others === 0) return some(strokes.length, 'stroke', 'strokes')
  if (strokes.length === 0) return some(others, 'change', 'changes')
  return `${some(strokes.length, 'stroke', 'strokes')} and ${some(others, 'other change', 'other changes')}`
}
