import { z } from 'zod'
import { boxPath, type Drawn } from '../draw/drawn.ts'
import { overlap } from '../ink/points.ts'
import * as similarity from '../ink/similarity.ts'
import { boundsOfBox } from '../worksheet/box.ts'
import type { ItemKind } from './itemKind.ts'
import { INK } from './lettering.ts'
import { madeId, place } from './lying.ts'

/** A voice note lying at x, y (points). `recording` names its sound; `seconds` is how long it is. */
const schema = z.strictObject({
  id: madeId,
  kind: z.literal('voice'),
  x: place,
  y: place,
  recording: madeId,
  seconds: z.number().min(0).max(125),
})
export type VoiceNote = z.infer<typeof schema>

export const voice: ItemKind<VoiceNote> = {
  schema,
  moved: (item, by) => {
    const there = similarity.apply(item, by)
    return similarity.isPlace(there) ? there : item
  },
  changed: (item, { x = item.x, y = item.y }) => ({ ...item, x, y }),
  asChange: ({ x, y }) => ({ x, y }),
  level: 'sign',
  drawn: voiceSign,
  sounds: ({ recording }) => [recording],
  touches: ({ x, y }, box) => overlap(boundsOfBox(box), { x0: x, y0: y, x1: x, y1: y }),
}

/** On paper: a line of ink in a tag, as on the screen, so that a reader knows there is something to hear. */
function voiceSign({ x, y }: VoiceNote): Drawn[] {
  const tag = boxPath({ x, y, width: 29, height: 22 })
  const line = `M${x + 5} ${y + 12}Q${x + 8} ${y + 3} ${x + 11} ${y + 11}Q${x + 14} ${y + 19} ${x + 17} ${y + 11}Q${x + 20} ${y + 4} ${x + 24} ${y + 11}`
  return [
    { kind: 'path', d: tag, fill: '#f7f5ef', stroke: INK, width: 0.8 },
    { kind: 'path', d: line, stroke: INK, width: 1.8 },
  ]
}
