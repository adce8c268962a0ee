import { z } from 'zod'
import { boundsOf } from '../ink/points.ts'
import { type Stroke, stroke, strokePoints, strokeWidth } from '../ink/stroke.ts'
import { box } from '../worksheet/box.ts'
import { INK } from './lettering.ts'
import { lyingTurned } from './lying.ts'
import type { PrintedKind } from './printedKind.ts'

/** The teacher's own stroke; `inner` is where it lies in the space of its points. */
const schema = z.object({ ...lyingTurned, kind: z.literal('ink'), stroke, inner: box })
export type Ink = z.infer<typeof schema>

export const ink: PrintedKind<Ink> = {
  schema,
  turns: true,
  reshapes: 'in shape',
  blank: ({ id, ...box }, newId) => ({
    id,
    ...box,
    kind: 'ink',
    stroke: { id: newId(), kind: 'stroke', nib: 'pen', colour: INK, width: 2, points: '' },
    inner: box,
  }),
  drawn: ({ stroke, inner, ...box }) => [{ kind: 'stroke', stroke, lies: { inner, box } }],
}

/** A stroke as a thing on the page, where it was drawn. */
export function inkItem(id: string, stroke: Stroke): Ink {
  const { x0, y0, x1, y1 } = boundsOf(strokePoints(stroke), strokeWidth(stroke) / 2)
  const inner = { x: x0, y: y0, width: x1 - x0, height: y1 - y0 }
  return { id, kind: 'ink', ...inner, stroke, inner }
}
