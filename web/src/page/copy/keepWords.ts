import type { Item, PageAct, Thing } from '@hand-back/core'

/** Where words are kept: a copy that is open. */
interface WordsStore {
  itemOn(page: string, id: string): Item | undefined
  add(page: string, items: readonly Item[]): void
  take(page: string, items: string[]): void
  act(page: string, act: PageAct): string
}

export const hasWords = (thing: Thing): boolean => thing.kind === 'text' || thing.kind === 'direction'
export const wordsOf = (thing: Thing): string => ('text' in thing ? thing.text : '')

/** Keeps the words of a thing as they are now: a new thing, other words, or, with none left, no thing. */
export function keepWords(store: WordsStore, page: string, thing: Thing): void {
  const was = store.itemOn(page, thing.id) as Thing | undefined
  const empty = wordsOf(thing).trim() === ''
  if (!was && !empty) store.add(page, [thing])
  else if (was && empty) store.take(page, [thing.id])
  else if (was && wordsOf(was) !== wordsOf(thing))
    store.act(page, { act: 'change', item: thing.id, set: { thing }, was: { thing: was } })
}
