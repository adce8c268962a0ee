import type { Guide } from '../ink/guide.ts'
import type { InkPoint, Point } from '../ink/points.ts'
import { ARM_BEYOND, type Instrument, placeOn, RULER_BROAD, RULER_ENDS, turnFrom } from './instrument.ts'

/** What was drawn along an edge so far: in points, and degrees. */
export type Drawn =
  | {
      readonly kind: 'line'
      readonly from: Point
      readonly to: Point
      readonly length: number
      /** Between it and the level to the right, 0 to 180. */
      readonly angle: number
    }
  | { readonly kind: 'arc'; readonly to: Point; readonly radius: number; readonly sweep: number }

/** Draws along an edge whatever the hand does beside it, and tells what it drew. */
export interface EdgeGuide extends Guide {
  readonly drawn: Drawn | undefined
}

/** The straight edges of an instrument, on the page. */
export function edgesOf(instrument: Instrument): (readonly [Point, Point])[] {
  const between = (from: Point, to: Point) => [placeOn(instrument, from), placeOn(instrument, to)] as const
  switch (instrument.kind) {
    case 'ruler': {
      const half = instrument.long / 2 + RULER_ENDS
      return [0, RULER_BROAD].map((y) => between({ x: -half, y }, { x: half, y }))
    }
    case 'protractor': {
      const { radius, arm } = instrument
      const [sin, cos] = [Math.sin((arm * Math.PI) / 180), Math.cos((arm * Math.PI) / 180)]
      const far = radius + ARM_BEYOND
      return [
        between({ x: -radius, y: 0 }, { x: radius, y: 0 }),
        between({ x: 0, y: 0 }, { x: far * cos, y: -far * sin }),
      ]
    }
    case 'compasses':
      return []
  }
}

/** What guides a stroke that begins at a place: the nearest edge within `reach` points; nothing: none is so near. */
export function guideAt(instrument: Instrument, at: Point, reach: number): EdgeGuide | undefined {
  if (instrument.kind === 'compasses') {
    const far = Math.hypot(at.x - instrument.at.x, at.y - instrument.at.y)
    return Math.abs(far - instrument.radius) <= reach
      ? new AlongArc(instrument.at, instrument.radius)
      : undefined
  }
  const edges = edgesOf(instrument)
  if (instrument.kind === 'protractor' && distance(at, instrument.at) <= reach)
    return new FromVertex(instrument.at, edges.flat(), reach)
  const near = edges
    .map(([from, to]) => ({ from, to, far: distance(at, nearestOn(from, to, at)) }))
    .sort((a, b) => a.far - b.far)[0]
  return near && near.far <= reach ? new AlongLine(near.from, near.to) : undefined
}

const distance = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y)

/** The place on the way between two that is nearest to another. */
function nearestOn(from: Point, to: Point, { x, y }: Point): Point {
  const [dx, dy] = [to.x - from.x, to.y - from.y]
  const square = dx * dx + dy * dy
  const part = square === 0 ? 0 : Math.min(1, Math.max(0, ((x - from.x) * dx + (y - from.y) * dy) / square))
  return { x: from.x + part * dx, y: from.y + part * dy }
}

/** From end to end of a straight edge. */
class AlongLine implements EdgeGuide {
  readonly #from: Point
  readonly #to: Point
  #began: Point | undefined
  #now: Point | undefined

  constructor(from: Point, to: Point) {
    this.#from = from
    this.#to = to
  }

  next(sample: InkPoint): InkPoint {
    const place = nearestOn(this.#from, this.#to, sample)
    this.#began ??= place
    this.#now = place
    return { ...sample, ...place }
  }

  end(): undefined {}

  get drawn(): Drawn | undefined {
    if (!this.#began || !this.#now) return undefined
    const [from, to] = [this.#began, this.#now]
    return { kind: 'line', from, to, length: distance(from, to), angle: Math.abs(turnFrom(from, to)) }
  }
}

/** From where several edges meet along the one to whose side the hand goes. */
class FromVertex implements EdgeGuide {
  readonly #vertex: Point
  readonly #ends: readonly Point[]
  readonly #reach: number
  #chosen: AlongLine | undefined

  constructor(vertex: Point, ends: readonly Point[], reach: number) {
    this.#vertex = vertex
    this.#ends = ends.filter((end) => distance(end, vertex) > 0)
    this.#reach = reach
  }

  next(sample: InkPoint): InkPoint {
    if (!this.#chosen && distance(sample, this.#vertex) > this.#reach) {
      const off = (end: Point) => distance(sample, nearestOn(this.#vertex, end, sample))
      const nearest = this.#ends.reduce((a, b) => (off(b) < off(a) ? b : a))
      this.#chosen = new AlongLine(this.#vertex, nearest)
      this.#chosen.next({ ...sample, ...this.#vertex })
    }
    return this.#chosen?.next(sample) ?? { ...sample, ...this.#vertex }
  }

  end(): undefined {}

  get drawn(): Drawn | undefined {
    return this.#chosen?.drawn
  }
}

/** Round a middle, either way. */
class AlongArc implements EdgeGuide {
  readonly #middle: Point
  readonly #radius: number
  #last: number | undefined
  /** How far round it has come, in degrees; the other way round: below 0. */
  #sweep = 0
  #now: Point | undefined

  constructor(middle: Point, radius: number) {
    this.#middle = middle
    this.#radius = radius
  }

  next(sample: InkPoint): InkPoint {
    const turn = turnFrom(this.#middle, sample)
    const step =
      this.#last === undefined ? 0 : turn - this.#last - 360 * Math.round((turn - this.#last) / 360)
    this.#last = turn
    this.#sweep += step
    const angle = (turn * Math.PI) / 180
    this.#now = {
      x: this.#middle.x + this.#radius * Math.cos(angle),
      y: this.#middle.y + this.#radius * Math.sin(angle),
    }
    return { ...sample, ...this.#now }
  }

  end(): undefined {}

  get drawn(): Drawn | undefined {
    const sweep = Math.min(360, Math.abs(this.#sweep))
    return this.#now && { kind: 'arc', to: this.#now, radius: this.#radius, sweep }
  }
}

/** A whole circle of a pair of compasses as a stroke would draw it, beginning at the pencil: its places, the first again at the end. */
export function wholeCircle({ at, radius, turn }: { at: Point; radius: number; turn: number }): InkPoint[] {
  const steps = Math.max(48, Math.ceil(radius))
  return Array.from({ length: steps + 1 }, (_none, step) => {
    const angle = (turn * Math.PI) / 180 + (step / steps) * 2 * Math.PI
    return {
      x: at.x + radius * Math.cos(angle),
      y: at.y + radius * Math.sin(angle),
      pressure: 0.5,
      time: step * 8,
    }
  })
}
