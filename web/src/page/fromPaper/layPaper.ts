import { type Box, blankItem, type Thing } from '@hand-back/core'
import type { CopyStore } from '../copy/copyStore.ts'
import type { Kept } from './openPhoto.ts'

/** Lays a straightened photo of paper in a box of a page, with the photo as it was taken behind it. Returns the picture's id. */
export function layPaper(store: CopyStore, page: string, box: Box, straight: Kept, taken: Kept): string {
  const [file, behind] = [crypto.randomUUID(), crypto.randomUUID()]
  const blank = blankItem('picture', box, () => crypto.randomUUID())
  const picture = { ...blank, file, turn: 0 } as Extract<Thing, { kind: 'picture' }>
  const proportion = taken.width / taken.height
  const thing = { ...picture, behind: { file: behind, proportion, straight: false } }
  store.add(page, [thing], { name: file, bytes: straight.bytes }, { name: behind, bytes: taken.bytes })
  return picture.id
}

/** The largest box of this shape in the middle of a page, a little away from its edges. */
export function fillingBox(
  { width, height }: { width: number; height: number },
  page: { width: number; height: number },
): Box {
  const factor = Math.min(page.width / width, page.height / height)
  const [wide, high] = [width * factor, height * factor]
  return { x: (page.width - wide) / 2, y: (page.height - high) / 2, width: wide, height: high }
}
