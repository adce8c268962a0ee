import { PER_PLACE, PLACES, type WritingShape } from './writingShape.ts'

/** How far, in places, one way may run ahead of the other. */
const BAND = 11
/** The strokes of a usual answer, and how much more differences weigh in a longer one: the power of its length. */
const [USUAL_STROKES, LONGER] = [8, 0.25]
/** So much more a step along one way alone costs. */
const ASIDE = 1.4
/** How much each way to compare weighs in the whole. */
const WEIGHS = { way: 1, cells: 2, shape: 0.35, strokes: 0.1 }

/**
 * How unlike two pieces of handwriting are: 0 for the same, about 1 for what has nothing in common.
 *
 * Laws: symmetric; 0 with itself; not less than 0. Method: dynamic time warping along the way of the pen within a band
 * (Sakoe and Chiba 1978), and, since not everybody writes in the same order, how much ink lies where. Cost: O(places · band).
 */
export function unlikeness(a: WritingShape, b: WritingShape): number {
  const apart =
    WEIGHS.way * warped(a.way, b.way) +
    WEIGHS.cells * apartness(a.cells, b.cells) +
    WEIGHS.shape * Math.abs(a.shape - b.shape) +
    WEIGHS.strokes * Math.abs(Math.log(a.strokes / b.strokes))
  // One other letter among many is a smaller part of the whole, and as much another answer.
  return apart * (Math.sqrt(a.strokes * b.strokes) / USUAL_STROKES) ** LONGER
}

/** Of the rows before and now; kept, since hundreds of answers are compared in pairs. */
let before = new Float64Array(PLACES + 1)
let now = new Float64Array(PLACES + 1)

/** Looked up once: they are needed thousands of times for each pair. */
const { min, max } = Math

/** The least mean distance of places that follow each other on both ways. */
function warped(a: Float32Array, b: Float32Array): number {
  before.fill(Number.POSITIVE_INFINITY)
  before[0] = 0
  for (let i = 1; i <= PLACES; i++) {
    const p = (i - 1) * PER_PLACE
    const [ax, ay, ah] = [a[p]!, a[p + 1]!, a[p + 2]!]
    const first = max(1, i - BAND)
    const last = min(PLACES, i + BAND)
    let left = Number.POSITIVE_INFINITY
    now[first - 1] = left
    if (last < PLACES) now[last + 1] = left
    for (let j = first, q = (first - 1) * PER_PLACE; j <= last; j++, q += PER_PLACE) {
      const dx = ax - b[q]!
      const dy = ay - b[q + 1]!
      const dh = ah - b[q + 2]!
      const apart = dx * dx + dy * dy + dh * dh
      // A step along one way alone costs more: else a flat line would be like everything.
      const straight = before[j - 1]! + apart
      const aside = min(before[j]!, left) + ASIDE * apart
      left = min(straight, aside)
      now[j] = left
    }
    const spare = before
    before = now
    now = spare
  }
  return before[PLACES]! / PLACES / 2
}

/** One less the cosine between two lists of length 1. */
function apartness(a: Float32Array, b: Float32Array): number {
  let shared = 0
  for (let at = 0; at < a.length; at++) shared += a[at]! * b[at]!
  return Math.max(0, 1 - shared)
}
