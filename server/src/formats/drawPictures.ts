import { drawPages } from '../pdf/index.ts'
import { type FlattenTask, flatten } from './flatten.ts'

/** The longest side of a page's picture, in pixels: twice as many as it has among the others, for fine screens. */
const LONGEST = 560

/** Flat pages, each drawn small, as JPEG, in their order: made into one PDF, so that what they share is read once. */
export async function drawPictures(task: FlattenTask): Promise<Uint8Array[]> {
  return drawPages(await flatten({ ...task, small: true }), LONGEST)
}
