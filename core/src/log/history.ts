import type { PageEvent } from './events.ts'

/** What one person can undo and redo, latest last. */
export interface History {
  readonly done: readonly PageEvent[]
  readonly undone: readonly PageEvent[]
}

export const noHistory: History = { done: [], undone: [] }

/**
 * The history after one more event of the same person.
 *
 * An event made by undo names what it undoes, so the history can be rebuilt from the log alone: undo
 * reaches back across reloads and devices. Doing something new ends what could be redone.
 */
export function remember(history: History, event: PageEvent): History {
  if (event.undoes && history.done.some((done) => done.id === event.undoes)) {
    return {
      done: history.done.filter((done) => done.id !== event.undoes),
      undone: [...history.undone, event],
    }
  }
  if (event.undoes && history.undone.some((undone) => undone.id === event.undoes)) {
    return {
      done: [...history.done, event],
      undone: history.undone.filter((undone) => undone.id !== event.undoes),
    }
  }
  return { done: [...history.done, event], undone: [] }
}

/** Whether an act is one to undo: what was said to feedback is said otherwise, not undone. */
export const isUndoable = (event: PageEvent): boolean =>
  !(event.act === 'add' && event.items.every(({ kind }) => kind === 'reply')) &&
  !(event.act === 'change' && 'reply' in event.set)

/** What was made in one moment at the end of a list, the last first: it is undone together. */
export function lastTogether(events: readonly PageEvent[]): PageEvent[] {
  const last = events.at(-1)
  const before = events.findLastIndex(({ madeAt }) => madeAt !== last?.madeAt)
  return events.slice(before + 1).reverse()
}

/** The history that `events`, all of one person and in order, leave behind. Cost: O(events). */
export function historyOf(events: Iterable<PageEvent>): History {
  const done = new Map<string, PageEvent>()
  const undone = new Map<string, PageEvent>()
  for (const event of events) {
    if (event.undoes && done.delete(event.undoes)) undone.set(event.id, event)
    else if (event.undoes && undone.delete(event.undoes)) done.set(event.id, event)
    else {
      done.set(event.id, event)
      undone.clear()
    }
  }
  return { done: [...done.values()], undone: [...undone.values()] }
}
