import {
  type Corners,
  evenLight,
  greyOf,
  type Pixels,
  placeSheet,
  type SeenSheet,
  seeSheet,
  sheetSize,
  straighten,
} from '@hand-back/core'
import type { PhotoAnswer, PhotoTask } from './photoTask.ts'

const QUALITY = 0.86
let photo: Pixels | undefined
let seen: SeenSheet | undefined

addEventListener('message', ({ data }: MessageEvent<PhotoTask>) => {
  if (data.what === 'open') open(data.picture)
  else if (data.what === 'place') place(data)
  else void show(data)
})

const answer = (told: PhotoAnswer) => postMessage(told)

function open(picture: ImageBitmap): void {
  photo = pixelsOf(picture)
  seen = seeSheet(photo)
  answer({ what: 'open', seen })
}

function place({ printed, page, corners }: Extract<PhotoTask, { what: 'place' }>): void {
  const { width, height } = printed
  const grey = greyOf(pixelsOf(printed), Math.max(width, height))
  if (photo && seen) {
    // Whoever moved a corner put it at an edge.
    const found = seen.found || JSON.stringify(corners) !== JSON.stringify(seen.corners)
    answer({ what: 'place', placed: placeSheet(photo, { ...seen, corners, found }, grey, page) })
  } else answer({ what: 'no sheet' })
}

function pixelsOf(picture: ImageBitmap): Pixels {
  const { width, height } = picture
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!
  context.drawImage(picture, 0, 0)
  picture.close()
  return context.getImageData(0, 0, width, height)
}

async function show({ corners, most, page }: Extract<PhotoTask, { what: 'straighten' }>): Promise<void> {
  if (!photo) return answer({ what: 'no sheet' })
  const { width, height } = page ? inShape(page, corners, most) : sheetSize(corners, most, photo)
  const straight = straighten(photo, corners, width, height)
  if (!straight) return answer({ what: 'no sheet' })
  evenLight(straight)
  const canvas = new OffscreenCanvas(width, height)
  const data = new ImageData(straight.data as Uint8ClampedArray<ArrayBuffer>, width, height)
  canvas.getContext('2d')!.putImageData(data, 0, 0)
  const bytes = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY })
  answer({ what: 'straighten', bytes, width, height })
}

/** A page as large as it is seen between corners, `most` pixels at its longer side at most. */
function inShape(page: { width: number; height: number }, corners: Corners, most: number) {
  const side = (from: number, to: number) =>
    Math.hypot(corners[from]!.x - corners[to]!.x, corners[from]!.y - corners[to]!.y)
  const across = Math.max(side(0, 1), side(3, 2)) / page.width
  const down = Math.max(side(0, 3), side(1, 2)) / page.height
  const scale = Math.min(Math.max(across, down), most / Math.max(page.width, page.height))
  return {
    width: Math.max(1, Math.round(page.width * scale)),
    height: Math.max(1, Math.round(page.height * scale)),
  }
}
