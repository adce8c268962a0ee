import type { Point } from '../ink/points.ts'
import type { Grey } from './pixels.ts'

/** Blocks are squares of twice this, in pixels. */
const HALF = 20
/** Their middles lie this far apart at least. */
const APART = 26
/** The most blocks of a picture. */
const MOST = 48
/** The least that a block must have of ink in each direction (see `cornerness`). */
const LEAST = 60

/** A square of a picture, by its middle. */
export type Block = Point

/**
 * The squares of a picture that can only be at one place: they have ink, with edges in both directions, and nothing
 * like it within `reach` pixels. Method: the
 * smaller eigenvalue of the structure tensor (Shi and Tomasi 1994); the best, well apart.
 */
export function blocksOf(ink: Grey, reach: number): Block[] {
  const found: { at: Block; strength: number }[] = []
  for (let y = HALF + 1; y < ink.height - HALF - 1; y += 8)
    for (let x = HALF + 1; x < ink.width - HALF - 1; x += 8) {
      const strength = cornerness(ink, x, y)
      if (strength > LEAST) found.push({ at: { x, y }, strength })
    }
  found.sort((a, b) => b.strength - a.strength)
  return spreadOver(ink, found).filter((block) => isAlone(ink, block, reach))
}

/** So like itself a block is at another place that one could be taken for the other. */
const ALIKE = 0.75
/** So near to itself it is like itself in any case, in pixels. */
const ITSELF = 5

function isAlone(ink: Grey, block: Block, reach: number): boolean {
  const wide = 2 * reach + 1
  const like = likenesses(ink, ink, block, reach)
  for (let place = 0; place < wide * wide; place++) {
    const off = Math.max(Math.abs((place % wide) - reach), Math.abs(Math.floor(place / wide) - reach))
    if (off > ITSELF && like.at(place) >= ALIKE) return false
  }
  return true
}

/** From each of so many fields across and down the best is taken in turn: a map needs places all over the page. */
const FIELDS = { across: 4, down: 6 }

function spreadOver({ width, height }: Grey, found: readonly { at: Block }[]): Block[] {
  const fields = new Map<number, Block[]>()
  for (const { at } of found) {
    const field =
      Math.floor((at.y * FIELDS.down) / height) * FIELDS.across + Math.floor((at.x * FIELDS.across) / width)
    const there = fields.get(field)
    if (there) there.push(at)
    else fields.set(field, [at])
  }
  const taken: Block[] = []
  while (fields.size > 0 && taken.length < MOST)
    for (const [field, left] of [...fields]) {
      const next = left.findIndex(
        (at) => !taken.some((other) => Math.abs(other.x - at.x) < APART && Math.abs(other.y - at.y) < APART),
      )
      if (next < 0) fields.delete(field)
      else taken.push(...left.splice(next, 1))
    }
  return taken.slice(0, MOST)
}

/** How much of what a block shows changes in the direction in which it changes least. */
function cornerness({ data, width }: Grey, x: number, y: number): number {
  let [xx, xy, yy] = [0, 0, 0]
  for (let row = y - HALF; row < y + HALF; row += 2)
    for (let at = row * width + x - HALF, end = at + 2 * HALF; at < end; at += 2) {
      const across = data[at + 1]! - data[at - 1]!
      const down = data[at + width]! - data[at - width]!
      xx += across * across
      xy += across * down
      yy += down * down
    }
  const count = HALF * HALF
  const [sum, apart] = [(xx + yy) / 2, Math.sqrt(((xx - yy) / 2) ** 2 + xy * xy)]
  return (sum - apart) / count
}

/** Where a block was found, from where it was looked for, and how like it is, from -1 to 1. */
export interface Found extends Point {
  readonly likeness: number
}

/**
 * Looks for a block of one picture in another within `reach` pixels. Method: normalised cross-correlation, at every
 * `every`th pixel first and then around the best; between pixels by a parabola through the best and its neighbours.
 * Nothing: it would lie outside.
 */
export function findBlock(ink: Grey, seen: Grey, block: Block, reach: number, every = 1): Found | undefined {
  const like = likenesses(ink, seen, block, reach, every)
  const { best } = like
  if (best < 0) return undefined
  const wide = 2 * reach + 1
  const [bx, by] = [best % wide, Math.floor(best / wide)]
  const finer = (step: number, isInside: boolean) => {
    if (!isInside) return 0
    const [before, here, behind] = [like.at(best - step), like.at(best), like.at(best + step)]
    const bend = before - 2 * here + behind
    return bend >= 0 ? 0 : Math.max(-0.5, Math.min(0.5, (before - behind) / (2 * bend)))
  }
  return {
    x: bx - reach + finer(1, bx > 0 && bx < wide - 1),
    y: by - reach + finer(wide, by > 0 && by < wide - 1),
    likeness: like.at(best),
  }
}

/** How like a block is to a place around where it lies, from the upper left row by row, and where most; -1: it would lie outside. */
interface Likenesses {
  at(place: number): number
  readonly best: number
}

function likenesses(ink: Grey, seen: Grey, block: Block, reach: number, every = 1): Likenesses {
  const side = 2 * HALF
  const count = side * side
  const [left, top] = [block.x - HALF, block.y - HALF]
  const { own, square } = aboutMean(ink, left, top)
  const wide = 2 * reach + 1
  const known = new Float32Array(wide * wide).fill(Number.NaN)
  const { data, width, height } = seen
  const at = (place: number): number => {
    if (!Number.isNaN(known[place]!)) return known[place]!
    const [x0, y0] = [left - reach + (place % wide), top - reach + Math.floor(place / wide)]
    known[place] = -1
    if (x0 < 0 || y0 < 0 || x0 + side > width || y0 + side > height) return -1
    let [sum, squares, product] = [0, 0, 0]
    for (let y = 0, of = 0; y < side; y++)
      for (let x = 0, from = (y0 + y) * width + x0; x < side; x++, of++, from++) {
        const value = data[from]!
        sum += value
        squares += value * value
        product += own[of]! * value
      }
    const spread = squares - (sum * sum) / count
    if (spread > 0 && square > 0) known[place] = product / Math.sqrt(spread * square)
    return known[place]!
  }
  let best = -1
  const look = (x: number, y: number) => {
    if (x < 0 || y < 0 || x >= wide || y >= wide) return
    const place = y * wide + x
    if (at(place) > -1 && (best < 0 || at(place) > at(best))) best = place
  }
  for (let y = 0; y < wide; y += every) for (let x = 0; x < wide; x += every) look(x, y)
  if (best >= 0 && every > 1) {
    const [bx, by] = [best % wide, Math.floor(best / wide)]
    for (let y = by - every + 1; y < by + every; y++)
      for (let x = bx - every + 1; x < bx + every; x++) look(x, y)
  }
  return { at, best }
}

/** A block's values about their mean, and the sum of their squares. */
function aboutMean({ data, width }: Grey, left: number, top: number) {
  const side = 2 * HALF
  const own = new Float32Array(side * side)
  let mean = 0
  for (let y = 0, at = 0; y < side; y++)
    for (let x = 0; x < side; x++, at++) {
      own[at] = data[(top + y) * width + left + x]!
      mean += own[at]!
    }
  mean /= own.length
  let square = 0
  for (let at = 0; at < own.length; at++) {
    own[at]! -= mean
    square += own[at]! * own[at]!
  }
  return { own, square }
}
