import { blankItem, mm } from '@hand-back/core'
import { pageAt, type SheetStore } from './sheetStore.ts'

/** The most of a page's width that a new picture takes. */
const MOST_WIDTH = 0.6
const DOTS_PER_POINT = 150 / 72

/** Puts a picture on the page with its middle at a place: as large as 150 dots an inch make it, within the page. */
export function putPicture(
  store: SheetStore,
  picture: { file: string; width: number; height: number },
  middle: { x: number; y: number },
): void {
  const page = pageAt(store.view.getState())
  const wide = Math.max(mm(10), Math.min(picture.width / DOTS_PER_POINT, page.width * MOST_WIDTH))
  const factor = Math.min(wide / picture.width, (page.height * 0.8) / picture.height)
  const [width, height] = [picture.width * factor, picture.height * factor]
  const box = { x: middle.x - width / 2, y: middle.y - height / 2, width, height }
  store.put([{ ...blankItem('picture', box, () => crypto.randomUUID()), file: picture.file }])
}
