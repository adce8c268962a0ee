import {
  type Corners,
  evenLight,
  findCode,
  findSheet,
  type Pixels,
  sheetSize,
  straighten,
} from '@hand-back/core'
import type { PhotoAnswer, PhotoTask } from './photoTask.ts'

const QUALITY = 0.86
/** The longest side of a sheet on which a code can be read, in pixels: A4 at 200 dots an inch. */
const LARGE = 2339
let photo: Pixels | undefined

addEventListener('message', ({ data }: MessageEvent<PhotoTask>) => {
  if (data.what === 'open') open(data.picture)
  else void show(data.corners, data.most)
})

const answer = (told: PhotoAnswer) => postMessage(told)

function open(picture: ImageBitmap): void {
  const { width, height } = picture
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!
  context.drawImage(picture, 0, 0)
  picture.close()
  photo = context.getImageData(0, 0, width, height)
  const found = findSheet(photo)
  const whole: Corners = [
    { x: 0, y: 0 },
    { x: width, y: 0 },
    { x: width, y: height },
    { x: 0, y: height },
  ]
  const corners = found ?? whole
  const code = codeOn(straightened(photo, corners, LARGE))
  const upright = turned(corners, code?.turns ?? 0)
  answer({ what: 'open', corners: upright, found: found !== undefined, code: code?.code })
}

const codeOn = (sheet: Pixels | undefined) => sheet && findCode(sheet)

/** The sheet between corners, straight and in even light. */
function straightened(of: Pixels, corners: Corners, most: number): Pixels | undefined {
  const { width, height } = sheetSize(corners, most, of)
  const straight = straighten(of, corners, width, height)
  if (straight) evenLight(straight)
  return straight
}

/** The corners of a sheet that is turned right by so many quarters. */
function turned(corners: Corners, turns: number): Corners {
  return [0, 1, 2, 3].map((index) => corners[(index + 4 - turns) % 4]!) as unknown as Corners
}

async function show(corners: Corners, most: number): Promise<void> {
  const straight = photo && straightened(photo, corners, most)
  if (!straight) return answer({ what: 'no sheet' })
  const { width, height } = straight
  const canvas = new OffscreenCanvas(width, height)
  const data = new ImageData(straight.data as Uint8ClampedArray<ArrayBuffer>, width, height)
  canvas.getContext('2d')!.putImageData(data, 0, 0)
  const bytes = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY })
  const code = most >= LARGE ? codeOn(straight)?.middle : undefined
  answer({ what: 'straighten', bytes, width, height, code })
}
