import { blankItem } from '@hand-back/core'
import type { BroughtFilm } from './bringFilm.ts'
import { pageAt, type SheetStore } from './sheetStore.ts'

/** A film takes this part of a page's width, and no more than this of its height. */
const WIDTH = 0.55
const MOST_HEIGHT = 0.6

/** Puts a film on the page with its middle at a place. */
export function putFilm(store: SheetStore, film: BroughtFilm, middle: { x: number; y: number }): void {
  const page = pageAt(store.view.getState())
  const { width: across, height: down, ...of } = film
  const factor = Math.min((page.width * WIDTH) / across, (page.height * MOST_HEIGHT) / down)
  const [width, height] = [across * factor, down * factor]
  const within = (at: number, size: number, room: number) => Math.max(0, Math.min(at - size / 2, room - size))
  const box = {
    x: within(middle.x, width, page.width),
    y: within(middle.y, height, page.height),
    width,
    height,
  }
  store.put([{ ...blankItem('film', box, () => crypto.randomUUID()), ...of }])
}
