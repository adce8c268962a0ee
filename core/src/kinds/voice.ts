import { z } from 'zod'
import { overlap } from '../ink/points.ts'
import { isPlace, laid } from '../ink/similarity.ts'
import { boundsOfBox } from '../worksheet/box.ts'
import type { ItemKind } from './itemKind.ts'
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
    const there = laid(item, by)
    return isPlace(there) ? there : item
  },
  changed: (item, { x = item.x, y = item.y }) => ({ ...item, x, y }),
  asChange: ({ x, y }) => ({ x, y }),
  recordings: ({ recording }) => [recording],
  touches: ({ x, y }, box) => overlap(boundsOfBox(box), { x0: x, y0: y, x1: x, y1: y }),
}
