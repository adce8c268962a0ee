import {
  boundsOf,
  type InkPoint,
  overlap,
  type Point,
  packPoints,
  rubOut,
  type Stroke,
  strokePoints,
  strokeWidth,
  toBase64,
  touches,
} from '@hand-back/core'
import { strokePath } from '../draw/strokePath.ts'

/** What one going of the eraser did. */
export interface Rubbed {
  /** The strokes that it met. */
  readonly taken: readonly Stroke[]
  /** What is left of them. */
  readonly pieces: readonly Stroke[]
  /** Where it went, in points of the page. */
  readonly way: readonly Point[]
}

/** What one going of the eraser has met so far, before it is lifted. */
export class Rubbing {
  readonly #left = new Map<Stroke, readonly Stroke[]>()
  #at: Point | undefined
  #way: Point[] = []

  /** Whether anything was met. */
  get met(): boolean {
    return this.#left.size > 0
  }

  /**
   * Goes on along `points` with a disc of `radius` points of the page. `exact`: what it does not pass
   * over stays; else whole strokes go.
   */
  go(
    strokes: readonly Stroke[],
    points: readonly InkPoint[],
    radius: number,
    exact: boolean,
    mayTake: (stroke: Stroke) => boolean,
  ): void {
    for (const at of points) {
      const from = this.#at ?? at
      this.#at = at
      this.#way.push(at)
      const way = boundsOf([from, at], radius)
      for (const stroke of strokes) {
        if (!overlap(strokePath(stroke).bounds, way) || !mayTake(stroke)) continue
        if (exact) this.#cut(stroke, from, at, radius)
        else if (touches(strokePoints(stroke), strokeWidth(stroke), from, at, radius))
          this.#left.set(stroke, [])
      }
    }
  }

  #cut(stroke: Stroke, from: Point, to: Point, radius: number): void {
    const now = this.#left.get(stroke) ?? [stroke]
    const next = now.flatMap((piece) => {
      const width = strokeWidth(piece)
      const pieces = rubOut(strokePoints(piece), [from, to], radius + width / 2)
      return pieces ? pieces.map((points) => pieceOf(stroke, points, width)) : [piece]
    })
    if (next.length !== now.length || next.some((piece, index) => piece !== now[index]))
      this.#left.set(stroke, next)
  }

  /** The strokes as they are to be seen now. */
  seen(strokes: readonly Stroke[]): readonly Stroke[] {
    if (!this.met) return strokes
    return strokes.flatMap((stroke) => this.#left.get(stroke) ?? [stroke])
  }

  end(): Rubbed {
    const taken = [...this.#left.keys()]
    const pieces = [...this.#left.values()].flat()
    const way = this.#way
    this.clear()
    return { taken, pieces, way }
  }

  clear(): void {
    this.#left.clear()
    this.#at = undefined
    this.#way = []
  }
}

/** The strokes that an eraser of `radius` points of the page meets at one place. */
export function metAt(
  strokes: readonly Stroke[],
  at: Point,
  radius: number,
  mayTake: (stroke: Stroke) => boolean,
): Stroke[] {
  const ring = boundsOf([at], radius)
  return strokes.filter(
    (stroke) =>
      overlap(strokePath(stroke).bounds, ring) &&
      mayTake(stroke) &&
      touches(strokePoints(stroke), strokeWidth(stroke), at, at, radius),
  )
}

/** A piece of a stroke as ink of its own, where it lies now. */
function pieceOf({ nib, colour }: Stroke, points: readonly InkPoint[], width: number): Stroke {
  return { id: crypto.randomUUID(), kind: 'stroke', nib, colour, width, points: toBase64(packPoints(points)) }
}
