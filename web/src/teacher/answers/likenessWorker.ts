import { likelyTogether } from '@hand-back/core'
import type { LikenessFound, LikenessTask } from './likenessTask.ts'

addEventListener('message', ({ data: { answers } }: MessageEvent<LikenessTask>) => {
  const found: LikenessFound = {
    heaps: likelyTogether(answers.map(({ ink }) => ink)).map((heap) => heap.map((at) => answers[at]!.copy)),
  }
  postMessage(found)
})
