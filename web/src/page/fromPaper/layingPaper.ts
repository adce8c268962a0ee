import {
  type Box,
  boundsOfItem,
  boxOfBounds,
  freeSpot,
  type Placed,
  seenBox,
  type WorksheetPage,
} from '@hand-back/core'
import type { CopyStore } from '../copy/copyStore.ts'
import { layIn } from '../pages/roomActs.ts'
import { fillingBox, layPaper } from './layPaper.ts'
import type { Kept } from './openPhoto.ts'
import { laySheet, type PaperInto } from './sheets/into.ts'

/** The most of a page's width and height that paper takes which is laid beside other work. */
const BESIDE = 0.6

/** Where paper is laid. */
export interface LayingOn {
  readonly copy: string
  /** Who lays it. */
  readonly person: string
  readonly store: CopyStore
  readonly page: WorksheetPage
  /** As they were handed out, and as they are now. */
  readonly printed: readonly WorksheetPage[]
  readonly pages: readonly WorksheetPage[]
  readonly placed: readonly Placed[]
  /** The part of the page that is seen. */
  readonly part: () => Box
  readonly pick: (ids: readonly string[]) => void
  readonly turnToPage: (page: string) => void
}

/** Laying work that was done on paper: beside what is on this page, or filling a new one behind it. */
export function layingPaper(on: LayingOn) {
  const { store, page, printed, pages, placed, part, pick, turnToPage } = on
  return {
    /** Lays a printed sheet on the page that it is of, where it was printed. */
    async onItsPage(its: WorksheetPage, straight: Kept, taken: Kept) {
      await laySheet(intoOwn(on), { copy: on.copy, page: its.id }, straight, taken)
      turnToPage(its.id)
    },
    onLay(straight: Kept, taken: Kept) {
      const factor = Math.min(
        (page.width * BESIDE) / straight.width,
        (page.height * BESIDE) / straight.height,
      )
      const size = { width: straight.width * factor, height: straight.height * factor }
      const there = [
        ...placed.map(({ item }) => boxOfBounds(boundsOfItem(item))),
        ...page.printed.map(seenBox),
      ]
      pick([layPaper(store, page.id, { ...freeSpot(size, part(), there), ...size }, straight, taken)])
    },
    onNewPage(straight: Kept, taken: Kept) {
      store.together(() => {
        const id = layIn(store, printed, pages, page, { form: 'plain', colour: '#c3c9d2' })
        const { width, height } = printed.find((each) => each.id === page.id) ?? printed[0]!
        layPaper(store, id, fillingBox(straight, { width, height }), straight, taken)
        turnToPage(id)
      })
    },
  }
}

/** Sheets of paper go into this copy and no other. */
export function intoOwn({ copy, person, store, pages }: LayingOn): PaperInto {
  return {
    copies: [{ id: copy, name: 'your copy' }],
    open: async () => ({ pages, log: store.view.getState().log }),
    mayTake: (author) => author === person,
    put: (_copy, page, { take, scan, files }) =>
      void store.act(page, { act: 'swap', take, bring: [], items: [scan] }, ...files),
  }
}
