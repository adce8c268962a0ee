import { z } from 'zod'
import { overlap } from '../ink/points.ts'
import { boundsOfBox } from '../worksheet/box.ts'
import { WHOLE } from '../worksheet/recipe.ts'
import type { ItemKind } from './itemKind.ts'
import { laidSize, madeId, place } from './lying.ts'

/**
 * A sheet that was filled in on paper, straight and in even light, where its page was printed. `file` and `taken` name
 * attachments: what is seen, and the picture as it was taken.
 */
const schema = z.strictObject({
  id: madeId,
  kind: z.literal('scan'),
  file: madeId,
  taken: madeId,
  x: place,
  y: place,
  width: laidSize,
  height: laidSize,
})
export type Scan = z.infer<typeof schema>

/** No hand can take hold of it: it is neither picked up nor rubbed out by mistake. */
export const scan: ItemKind<Scan> = {
  schema,
  onlyOn: 'work',
  level: 'scan',
  bounds: boundsOfBox,
  drawn: ({ file, x, y, width, height }) => [
    { kind: 'picture', file, crop: WHOLE, box: { x, y, width, height } },
  ],
  pictures: ({ file }) => [file],
  keeps: ({ taken }) => [taken],
  // What of it was written on is for eyes to see.
  touches: (item, answered) => overlap(boundsOfBox(answered), boundsOfBox(item)),
}
