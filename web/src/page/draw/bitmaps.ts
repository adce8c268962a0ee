import { CALLS, type DrawnPiece } from '@hand-back/core'
import { urlOf } from '../../api/ask.ts'
import { drawPaper, sourceOf } from '../paper/papers.ts'
import type { Bitmaps } from './paint.ts'

/** The most bitmaps kept, and the longest side of one in pixels. */
const MOST_KEPT = 80
const LONGEST_SIDE = 3600

interface Kept {
  bitmap: ImageBitmap | undefined
}

const kept = new Map<string, Kept>()
const listeners = new Set<() => void>()

/** Calls `listener` whenever a bitmap arrived; returns how to stop. */
export function whenBitmapsArrive(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

function bitmapOf(key: string, load: () => Promise<ImageBitmap>): ImageBitmap | undefined {
  let entry = kept.get(key)
  if (entry) {
    kept.delete(key)
    kept.set(key, entry)
    return entry.bitmap
  }
  const made: Kept = { bitmap: undefined }
  entry = made
  kept.set(key, made)
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!)
  load().then(
    (bitmap) => {
      made.bitmap = bitmap
      for (const listener of listeners) listener()
    },
    // Asked for again at the next drawing.
    () => kept.delete(key),
  )
  return undefined
}

/** As an image: what is only on this device yet is shown by a policy that lets nothing else be fetched from there. */
async function fetchBitmap(url: string): Promise<ImageBitmap> {
  const image = new Image()
  image.src = url
  await image.decode()
  return createImageBitmap(image)
}

/** A SHA-256 names a worksheet's file; anything else an attachment of a copy. */
const isFile = (name: string) => name.length === 64

/** The bitmaps of a page. `photoUrl` says where a copy's photos are to be had. */
export function bitmapsFor(photoUrl?: (name: string) => string): Bitmaps {
  return {
    picture(file) {
      const url = isFile(file) ? urlOf(CALLS.file, { file }) : photoUrl?.(file)
      return url === undefined ? undefined : bitmapOf(url, () => fetchBitmap(url))
    },
    piece(one, scale) {
      const { part, paper, whole, box } = one
      if (paper.kind === 'ruled') return undefined
      // Drawn in steps of two, so that zooming does not draw at every frame.
      const needed = (scale * box.width) / part.width
      const most = LONGEST_SIDE / Math.max(part.width, part.height)
      const step = Math.min(most, 2 ** Math.ceil(Math.log2(Math.max(1, needed))))
      const key = (at: number) => `${JSON.stringify([paper, part, whole])} ${at}`
      const wanted = bitmapOf(key(step), () => drawPaper(sourceOf(paper, whole), boundsOf(part), step).bitmap)
      return wanted ?? kept.get(key(step / 2))?.bitmap ?? kept.get(key(step * 2))?.bitmap
    },
  }
}

function boundsOf({ x, y, width, height }: DrawnPiece['part']) {
  return { x0: x, y0: y, x1: x + width, y1: y + height }
}
