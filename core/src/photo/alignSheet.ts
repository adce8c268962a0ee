import type { Point } from '../ink/points.ts'
import { type Block, blocksOf, findBlock } from './blocks.ts'
import {
  type Corners,
  type Homography,
  homography,
  homographyThrough,
  mapped,
  type Pair,
} from './homography.ts'
import { halved, inkOf, isSeen, sampled } from './inkOf.ts'
import { cornersOf, type Grey } from './pixels.ts'

/** Where a printed page lies in a photo. */
export interface Aligned {
  /** The page's corners in the photo, in its pixels: upper left, upper right, lower right, lower left. */
  readonly corners: Corners
  /** In how many places what is printed could be looked for, and which part of them showed it where it should be. */
  readonly compared: number
  readonly agrees: number
  /** How much of the page's width and height these places span, the lesser of both: 1 is all of it. */
  readonly spans: number
}

/** How far what is printed is looked for, in pixels: half as fine by a sheet's edges and by a guess, as it is, and once more. */
const FAR = { byEdges: 10, guessed: 15, whole: 5, again: 3 }
/** A place that lies farther from where the map takes it than this is something else, in pixels of the printed page. */
const OFF = 2.2
/** So much of the page around the code is looked at first, and so on: a guess that is right there grows over the page. */
const GROWING = [0.3, 0.6, 1]

/**
 * Where a printed page lies in a photo of its sheet, from what is printed on it: sharper than the sheet's edges, and
 * where these are not seen at all. `printed` is the page with all that was printed on it, `first` where its corners are
 * about, in pixels of `photo`; near `anchor` (a place of the page) that is nearest to the truth; with `edgesSeen` they are a sheet's, and hold
 * where little is printed.
 *
 * Method: both are made ink on white whatever the light; blocks of the page that have ink in both directions are looked
 * for in the photo as seen straight on (normalised cross-correlation), coarsely, then finely, each time with a map
 * through all that agree (iteratively reweighted least squares, Tukey's weights). What a hand wrote beside the print
 * counts little: a block is found by the print that it has.
 */
export function alignSheet(
  photo: Grey,
  printed: Grey,
  first: Corners,
  anchor: Point,
  edgesSeen: boolean,
): Aligned {
  const page = cornersOf(printed)
  const ink = inkOf(printed)
  const halfInk = halved(ink)
  const diagonal = Math.hypot(printed.width, printed.height)
  const edges = (now: Homography) => (edgesSeen ? edgesAs(now, first, page) : [])
  let map = homography(page, first)
  if (!map) return { corners: first, compared: 0, agrees: 0, spans: 0 }
  const far = edgesSeen ? FAR.byEdges : FAR.guessed
  const coarse = blocksOf(halfInk, far)
  for (const part of edgesSeen ? [1] : GROWING) {
    const near = coarse.filter((block) => distance(twice(block), anchor) <= part * diagonal)
    map =
      fitted(map, foundIn(photo, halfInk, near, map, 2, far, edgesSeen ? 2 : 1), OFF * 3, edges(map)) ?? map
  }
  const fine = blocksOf(ink, FAR.whole)
  const again = edgesSeen ? FAR.again : FAR.whole
  map = fitted(map, foundIn(photo, ink, fine, map, 1, FAR.whole), OFF, edges(map)) ?? map
  map = fitted(map, foundIn(photo, ink, fine, map, 1, again), OFF, edges(map)) ?? map
  const found = foundIn(photo, ink, fine, map, 1, again)
  const right = found.filter(({ by, sure }) => sure && Math.hypot(by.x, by.y) <= OFF)
  return {
    corners: page.map((corner) => mapped(map!, corner)) as unknown as Corners,
    compared: found.length,
    agrees: found.length === 0 ? 0 : right.length / found.length,
    spans: spanOf(right, printed),
  }
}

/** How much a corner of the sheet counts that was found by its edges: a block counts 1. */
const EDGE = 0.1

/** The corners that were found by the sheet's edges, as places of the page as `map` shows it. */
function edgesAs(map: Homography, first: Corners, page: Corners): Pair[] {
  const back = homography(page.map((corner) => mapped(map, corner)) as unknown as Corners, page)
  return back ? page.map((from, index) => ({ from, to: mapped(back, first[index]!), weight: EDGE })) : []
}

function spanOf(found: readonly Shift[], { width, height }: Grey): number {
  if (found.length === 0) return 0
  const span = (values: number[]) => Math.max(...values) - Math.min(...values)
  return Math.min(span(found.map(({ at }) => at.x)) / width, span(found.map(({ at }) => at.y)) / height)
}

const distance = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y)
const twice = ({ x, y }: Point): Point => ({ x: x * 2, y: y * 2 })

/** The middle of a block on the page, and how far from there it was found, in pixels of the page. */
interface Shift {
  readonly at: Point
  readonly by: Point
  readonly sure: boolean
}

/** Looks for blocks in the photo, seen straight on as `map` says; `step`: how many pixels of the page one of theirs is. */
function foundIn(
  photo: Grey,
  ink: Grey,
  blocks: readonly Block[],
  map: Homography,
  step: number,
  reach: number,
  every = 1,
): Shift[] {
  const seen = inkOf(sampled(photo, map, ink.width, ink.height, step))
  return blocks.flatMap((block) => {
    const at = { x: block.x * step, y: block.y * step }
    const found = isSeen(photo, map, at) && findBlock(ink, seen, block, reach, every)
    if (!found) return []
    return [
      {
        at,
        by: { x: found.x * step, y: found.y * step },
        sure: found.likeness >= LIKE,
      },
    ]
  })
}

/** So like each other two blocks are that show the same print, from -1 to 1. */
const LIKE = 0.45

/** A better map through what was found; nothing: too little of it agrees. */
function fitted(
  map: Homography,
  all: readonly Shift[],
  close: number,
  edges: readonly Pair[],
): Homography | undefined {
  const found = all.filter(({ sure }) => sure)
  if (found.length < 3 && edges.length === 0) return undefined
  const start = { x: medianOf(found.map(({ by }) => by.x)), y: medianOf(found.map(({ by }) => by.y)) }
  let weights = found.map(({ by }) => tukey(distance(by, start), close * 4))
  let better: Homography | undefined
  for (const width of [4, 3, 2, 1.5, 1, 1]) {
    const pairs = found.map(
      ({ at, by }, index): Pair => ({
        from: at,
        to: { x: at.x + by.x, y: at.y + by.y },
        weight: weights[index]!,
      }),
    )
    const count = weights.filter((weight) => weight > 0.1).length
    const onPage = homographyThrough([...pairs, ...edges], edges.length === 0 && count < ENOUGH)
    if (!onPage) return undefined
    better = onPage
    weights = pairs.map(({ from, to }) => tukey(distance(mapped(onPage, from), to), close * width))
  }
  if (!better || weights.filter((weight) => weight > 0.1).length < (edges.length > 0 ? 1 : 3))
    return undefined
  return after(better, map)
}

/** So many places say more than that a sheet lies turned and shifted: that it was seen askew. */
const ENOUGH = 9

/** One map after another. */
function after(first: Homography, then: Homography): Homography | undefined {
  const [a, b, c, d, e, f, g, h] = then
  const [i, j, k, l, m, n, o, p] = first
  const rows = [
    a * i + b * l + c * o,
    a * j + b * m + c * p,
    a * k + b * n + c,
    d * i + e * l + f * o,
    d * j + e * m + f * p,
    d * k + e * n + f,
    g * i + h * l + o,
    g * j + h * m + p,
  ]
  const whole = g * k + h * n + 1
  return Math.abs(whole) < 1e-9 ? undefined : (rows.map((value) => value / whole) as unknown as Homography)
}

/** Tukey's biweight. */
function tukey(off: number, close: number): number {
  if (off >= close) return 0
  return (1 - (off / close) ** 2) ** 2
}

function medianOf(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[sorted.length >> 1] ?? 0
}
