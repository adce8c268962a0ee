import type { PageEvent, SignedEvent } from '@hand-back/core'
import type { Kept } from './keepsake.ts'

const MOST_AT_ONCE = 100
/** Letters of packed ink in one message: well under what the server takes. */
const MOST_LETTERS = 800_000

/** What goes to school next: events of one copy, oldest first, as many as one message takes. */
export function nextBatch<Entry extends Kept>(
  entries: readonly Entry[],
  isHeld: (event: string) => boolean,
): Entry[] {
  const first = entries.find(({ event }) => !isHeld(event.id))
  if (!first) return []
  const batch: Entry[] = []
  let letters = 0
  for (const entry of entries) {
    if (entry.copy !== first.copy || isHeld(entry.event.id)) continue
    letters += lettersOf(entry.event)
    if (batch.length > 0 && (letters > MOST_LETTERS || batch.length >= MOST_AT_ONCE)) break
    batch.push(entry)
  }
  return batch
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
