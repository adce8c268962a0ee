import { type Corners, evenLight, findSheet, type Pixels, sheetSize, straighten } from '@hand-back/core'
import type { PhotoAnswer, PhotoTask } from './photoTask.ts'

const QUALITY = 0.86
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
  answer({ what: 'open', corners: found ?? whole, found: found !== undefined })
}

async function show(corners: Corners, most: number): Promise<void> {
  if (!photo) return answer({ what: 'no sheet' })
  const { width, height } = sheetSize(corners, most, photo)
  const straight = straighten(photo, corners, width, height)
  if (!straight) return answer({ what: 'no sheet' })
  evenLight(straight)
  const canvas = new OffscreenCanvas(width, height)
  const data = new ImageData(straight.data as Uint8ClampedArray<ArrayBuffer>, width, height)
  canvas.getContext('2d')!.putImageData(data, 0, 0)
  const bytes = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY })
  answer({ what: 'straighten', bytes, width, height })
}
