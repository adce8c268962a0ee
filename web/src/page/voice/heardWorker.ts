import { type Heard, listenTo } from '@hand-back/core'

/** What is listened to: samples of one channel, and how many there are in a second. */
export interface ToHear {
  readonly samples: Float32Array<ArrayBuffer>
  readonly rate: number
}

addEventListener('message', ({ data: { samples, rate } }: MessageEvent<ToHear>) => {
  const found: Heard = listenTo(samples, rate)
  postMessage(found)
})
