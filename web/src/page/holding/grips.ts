import {
  type Bounds,
  type Box,
  type Boxed,
  type Handle,
  handlePlace,
  type Point,
  type Similarity,
  type SnapGuide,
  type SnapLines,
  similarity,
  snapMove,
  snapSides,
  type Turned,
} from '@hand-back/core'

/** By what it is held: all of it, the handle that turns it, a corner of the box around it, or a handle of the one thing. */
export type Grip =
  | { readonly what: 'box' }
  | { readonly what: 'turn' }
  | { readonly what: 'corner'; readonly corner: Point; readonly opposite: Point }
  | { readonly what: 'handle'; readonly handle: Handle }

/** A pointer that holds: where it came down and where it is, in points of the page. */
export interface Finger {
  from: Point
  at: Point
}

/** How near a line pulls, in CSS pixels. */
const REACH = 6
const LEAST_GROWTH = 0.05
/** A turn stops at every quarter when it comes within this many degrees. */
const QUARTER_PULLS = 3

interface Manner {
  /** CSS pixels a point. */
  readonly scale: number
  /** Nothing pulls. */
  readonly freely: boolean
}

interface Lying {
  readonly bounds: Bounds
  readonly edges: Box
  lines(): SnapLines
}

/** What fingers do to what lies there: one by its grip, two as they go. One that only moves it brings it onto lines. */
export function snappedMove(
  fingers: readonly Finger[],
  grip: Grip,
  { bounds, edges, lines }: Lying,
  { scale, freely }: Manner,
): { by: Similarity; guides: readonly SnapGuide[] } {
  const [one, other] = fingers as [Finger, Finger?]
  if (other) return { by: similarity.between([one.from, other.from], [one.at, other.at]), guides: [] }
  if (grip.what === 'turn') return { by: turned(one, middleOf(bounds)), guides: [] }
  if (grip.what === 'corner') return { by: grown(one, grip.corner, grip.opposite), guides: [] }
  const [dx, dy] = [one.at.x - one.from.x, one.at.y - one.from.y]
  const moved = { ...edges, x: edges.x + dx, y: edges.y + dy }
  const snap = snapMove(moved, lines(), freely ? 0 : REACH / scale)
  return { by: similarity.translation(dx + snap.dx, dy + snap.dy), guides: snap.guides }
}

/** How far a handle of a thing was dragged, onto lines where it lies straight. */
export function snappedDrag(
  only: Boxed,
  handle: Handle,
  { from, at }: Finger,
  lines: SnapLines,
  { scale, freely }: Manner,
): { dx: number; dy: number; guides: readonly SnapGuide[] } {
  const [dx, dy] = [at.x - from.x, at.y - from.y]
  if ((only as Turned).turn || freely) return { dx, dy, guides: [] }
  const place = handlePlace(only, handle)
  const ends = handle === 'start' || handle === 'end'
  const sides = {
    x: ends || /[ew]/.test(handle) ? place.x + dx : undefined,
    y: ends || /[ns]/.test(handle) ? place.y + dy : undefined,
  }
  const snap = snapSides(sides, lines, REACH / scale)
  return { dx: dx + snap.dx, dy: dy + snap.dy, guides: snap.guides }
}

function turned({ from, at }: Finger, middle: Point): Similarity {
  const angle = (place: Point) => (Math.atan2(place.y - middle.y, place.x - middle.x) * 180) / Math.PI
  const degrees = angle(at) - angle(from)
  const quarter = Math.round(degrees / 90) * 90
  return similarity.about(middle, 1, Math.abs(degrees - quarter) < QUARTER_PULLS ? quarter : degrees)
}

function grown({ from, at }: Finger, corner: Point, opposite: Point): Similarity {
  const across = { x: corner.x - opposite.x, y: corner.y - opposite.y }
  const square = across.x ** 2 + across.y ** 2
  const along = ((at.x - from.x) * across.x + (at.y - from.y) * across.y) / Math.max(1, square)
  return similarity.about(opposite, Math.max(LEAST_GROWTH, 1 + along), 0)
}

export const middleOf = ({ x0, y0, x1, y1 }: Bounds): Point => ({ x: (x0 + x1) / 2, y: (y0 + y1) / 2 })
