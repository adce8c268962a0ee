import { CALLS, emptyLog, type HandoutWhole, type Person, pagesNow, receive } from '@hand-back/core'
import { ask } from '../../api/ask.ts'
import { outboxOf } from '../../page/device/personOutbox.ts'
import type { PaperInto } from '../../page/fromPaper/sheets/into.ts'

/** Sheets of paper go into the copies of a hand-out: on this device first, and from there to school. */
export function intoHandout({ copies }: HandoutWhole, person: Person): PaperInto {
  return {
    copies: copies.map(({ id, name }) => ({ id, name })),
    async open(copy) {
      const [{ pages }, events] = await Promise.all([ask(CALLS.copy, { copy }), ask(CALLS.log, { copy })])
      const { log } = receive(emptyLog, events)
      return { pages: pagesNow(pages, log.pages), log }
    },
    mayTake: () => true,
    put(copy, page, { take, scan, files }) {
      const made = { id: crypto.randomUUID(), page, layer: 'work', madeAt: Date.now() } as const
      const signed = { author: person.id, round: 1, free: true }
      void outboxOf(person.id).put(
        copy,
        { ...made, act: 'swap', take, bring: [], items: [scan], ...signed },
        ...files,
      )
    },
  }
}
