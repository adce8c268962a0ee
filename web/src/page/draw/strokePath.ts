import {
  type Bounds,
  boundsOf,
  type Stroke,
  strokeOutline,
  strokePoints,
  strokeWidth,
  traceOutline,
} from '@hand-back/core'

/** A stroke ready to be filled: its path and bounds in points of the page. */
export interface StrokePath {
  readonly path: Path2D
  readonly bounds: Bounds
}

const paths = new WeakMap<Stroke, StrokePath>()

/** The outline of a stroke as a path, made once for each stroke object. */
export function strokePath(stroke: Stroke): StrokePath {
  let made = paths.get(stroke)
  if (!made) {
    const points = strokePoints(stroke)
    const width = strokeWidth(stroke)
    const path = new Path2D()
    traceOutline(strokeOutline(points, stroke.nib, width), path)
    made = { path, bounds: boundsOf(points, width) }
    paths.set(stroke, made)
  }
  return made
}
