import { touches } from '../ink/hitTest.ts'
import { loopTakes } from '../ink/loop.ts'
import { boundsOf, overlap } from '../ink/points.ts'
import * as similarity from '../ink/similarity.ts'
import { type Stroke, stroke, strokePoints, strokeWidth } from '../ink/stroke.ts'
import { boundsOfBox } from '../worksheet/box.ts'
import type { ItemKind } from './itemKind.ts'

const bounds = (item: Stroke) => boundsOf(strokePoints(item), strokeWidth(item) / 2)

/** Ink: one stroke of a pen. */
export const strokeKind: ItemKind<Stroke> = {
  schema: stroke,
  bounds,
  level: 'ink',
  drawn: (stroke) => [{ kind: 'stroke', stroke }],
  held: {
    inLoop: (item, loop) => loopTakes(loop, strokePoints(item)),
    isAt: (item, at, reach) => touches(strokePoints(item), strokeWidth(item), at, at, reach),
  },
  moved: (item, by) => {
    const lies = item.lies ? similarity.compose(item.lies, by) : by
    return similarity.canBeSeen(lies) ? { ...item, lies } : item
  },
  touches: (item, place) => overlap(boundsOfBox(place), bounds(item)),
}
