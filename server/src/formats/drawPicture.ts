import sharp from 'sharp'
import { drawPart } from '../pdf/index.ts'
import { type FlattenTask, flatten } from './flatten.ts'

/** The most of a picture on the shelf, in pixels: twice as many as it has there, for fine screens. */
const MOST = { width: 360, height: 416 }

/** The first of flat pages, drawn small, as WebP. */
export async function drawPicture(task: FlattenTask): Promise<Uint8Array> {
  const { width, height } = task.pages[0]!.page
  const scale = Math.min(MOST.width / width, MOST.height / height)
  const box = { x: 0, y: 0, width: Math.ceil(width * scale), height: Math.ceil(height * scale) }
  const png = drawPart(await flatten(task), box, 72 * scale)
  return sharp(png).removeAlpha().webp({ quality: 82 }).toBuffer()
}
