import { fillAt } from '@hand-back/core'
import type { FillAnswer, FillTask } from './fillTask.ts'

addEventListener('message', ({ data: { picture, tap, scale } }: MessageEvent<FillTask>) => {
  const { width, height } = picture
  // Read back once: the browser keeps it where it can be read.
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!
  context.drawImage(picture, 0, 0)
  picture.close()
  const found: FillAnswer = fillAt(context.getImageData(0, 0, width, height), tap, scale)
  postMessage(found)
})
