import { clearance, PIXEL } from './clearance.ts'
import { takePiece } from './region.ts'

/** A part of a picture: its pixels from the top, `left` and `top` where it lies in the whole, in pixels. */
export interface Part {
  readonly mask: Uint8Array
  readonly width: number
  readonly height: number
  readonly left: number
  readonly top: number
}

/** How far a region goes on under the lines that bound it, in pixels: to the middle of thin ones. */
const UNDER = 2

/**
 * What is covered when a region is filled: the region, the letters and other narrow things in it with the room that
 * they enclose (less than `smallest` pixels across), and its edge under the lines around it.
 */
export function covered(region: Uint8Array, free: Uint8Array, width: number, smallest: number): Part {
  const part = cut(region, width, UNDER + 1)
  // A region does not go on beyond the picture.
  const freeHere = cutOf(free, width, part, 1)
  const mask = grown(part.mask, freeHere, part.width)
  fillHoles(mask, freeHere, part, smallest)
  return { ...part, mask }
}

/** The region in the smallest box around it, with room beside. */
function cut(region: Uint8Array, width: number, beside: number): Part {
  let [x0, y0, x1, y1] = [width, region.length / width, 0, 0]
  for (let at = 0; at < region.length; at++) {
    if (region[at] === 0) continue
    const x = at % width
    const y = (at - x) / width
    x0 = Math.min(x0, x)
    x1 = Math.max(x1, x)
    y0 = Math.min(y0, y)
    y1 = y
  }
  const box = {
    left: x0 - beside,
    top: y0 - beside,
    width: x1 - x0 + 1 + 2 * beside,
    height: y1 - y0 + 1 + 2 * beside,
  }
  return { ...box, mask: cutOf(region, width, box) }
}

/** The same box of another picture; what lies outside of it is `beyond`. */
function cutOf(all: Uint8Array, width: number, box: Omit<Part, 'mask'>, beyond = 0): Uint8Array {
  const part = new Uint8Array(box.width * box.height)
  for (let y = 0; y < box.height; y++)
    for (let x = 0; x < box.width; x++) {
      const [from, down] = [box.left + x, box.top + y]
      part[y * box.width + x] = from < 0 || from >= width ? beyond : (all[down * width + from] ?? beyond)
    }
  return part
}

/** One with its edge under what is not free. */
function grown(mask: Uint8Array, free: Uint8Array, width: number): Uint8Array {
  let now = mask
  for (let step = 0; step < UNDER; step++) {
    const next = now.slice()
    for (let at = width; at < now.length - width; at++)
      if (
        now[at] === 0 &&
        free[at] === 0 &&
        (now[at - 1] || now[at + 1] || now[at - width] || now[at + width])
      )
        next[at] = 1
    now = next
  }
  return now
}

/** Fills what the region encloses and is too narrow to be a window in it. */
function fillHoles(mask: Uint8Array, free: Uint8Array, { width, height }: Part, smallest: number): void {
  const holes = mask.map((covered) => 1 - covered)
  // The box has room all around: its corner lies outside.
  takePiece(holes, width, 0)
  const room = clearance(free, width, height)
  for (let at = 0; at < mask.length; at++) {
    if (holes[at] === 0) continue
    const hole = takePiece(holes, width, at)
    const widest = hole.reduce((most, each) => Math.max(most, room[each]!), 0)
    if (widest * 2 < smallest * PIXEL) for (const each of hole) mask[each] = 1
  }
}
