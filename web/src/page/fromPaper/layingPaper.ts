import {
  type Box,
  boundsOfItem,
  boxOfBounds,
  codeBox,
  freeSpot,
  type Placed,
  seenBox,
  type WorksheetPage,
} from '@hand-back/core'
import type { CopyStore } from '../copy/copyStore.ts'
import { layIn } from '../pages/roomActs.ts'
import { fillingBox, layPaper } from './layPaper.ts'
import type { Kept, Straight } from './openPhoto.ts'

/** The most of a page's width and height that paper takes which is laid beside other work. */
const BESIDE = 0.6

/** Where paper is laid. */
export interface LayingOn {
  readonly copy: string
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
export function layingPaper({ store, page, printed, pages, placed, part, pick, turnToPage }: LayingOn) {
  return {
    /** Lays a printed sheet on the page that it is of, where it was printed; behind all else that lies there. */
    onItsPage(its: WorksheetPage, straight: Straight, taken: Kept) {
      layPaper(store, its.id, printedBox(its, straight), straight, taken, BEHIND)
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

/** Behind other things. */
const BEHIND = -1000
/** A printer shifts a page by no more than this, in points: 12 mm. */
const MOST_SHIFT = 34

/** Where a sheet lies that a page was printed on: all over it, shifted as its code shows that the printer shifted it. */
function printedBox(page: WorksheetPage, { code, ...straight }: Straight): Box {
  const box = fillingBox(straight, page)
  if (!code) return box
  const printed = codeBox(page)
  const scale = box.width / straight.width
  const dx = printed.x + printed.width / 2 - (box.x + code.x * scale)
  const dy = printed.y + printed.height / 2 - (box.y + code.y * scale)
  return Math.hypot(dx, dy) > MOST_SHIFT ? box : { ...box, x: box.x + dx, y: box.y + dy }
}
