import { clearance, PIXEL } from './clearance.ts'

/** Which pixels are free to be filled, from a picture of so many. */
interface Free {
  readonly free: Uint8Array
  readonly width: number
  readonly height: number
}

/**
 * The region around a free pixel: all that can be reached from it over free pixels without passing a gap of `gaps`
 * pixels or less between what bounds it. The smallest of `gaps` is tried first; the next only where the region would
 * be the whole picture. Nothing: it is, whatever is tried.
 *
 * What lies narrower than a gap but belongs to no other region (a sharp corner, the room between letters) is part of
 * it; two regions that meet in a gap part where it is narrowest. Method: markers where a disc as wide as the gap has
 * room, then a watershed by clearance from them (Meyer 1991). Cost: O(pixels) for each gap tried.
 */
export function regionAt(picture: Free, start: number, gaps: readonly number[]): Uint8Array | undefined {
  const { width, height } = picture
  const reached = flood(picture.free, width, start)
  const room = clearance(reached, width, height)
  const way = uphill(room, width, start)
  // Where less has room than the gap is wide, what has room there bounds it: a thin ring is a region too.
  const least = room[way.at(-1)!]! * 0.6
  for (const gap of gaps) {
    const narrow = Math.min((gap / 2) * PIXEL, least)
    const region = parted(reached, room, width, way, narrow)
    if (!isOpen(region, width, height)) return region
  }
  return undefined
}

/** Whether a region holds more than half of the picture's edge. */
function isOpen(region: Uint8Array, width: number, height: number): boolean {
  let held = 0
  for (let x = 0; x < width; x++) held += region[x]! + region[(height - 1) * width + x]!
  for (let y = 0; y < height; y++) held += region[y * width]! + region[(y + 1) * width - 1]!
  return held > width + height
}

/** All pixels with a 1 that hang together with one of them by their sides. Row by row: Smith (1979). */
export function flood(free: Uint8Array, width: number, start: number): Uint8Array {
  const reached = new Uint8Array(free.length)
  const rows = [start]
  while (rows.length > 0) {
    const seed = rows.pop()!
    if (reached[seed] === 1) continue
    const row = seed - (seed % width)
    let left = seed
    while (left > row && free[left - 1] === 1) left--
    let right = seed
    while (right < row + width - 1 && free[right + 1] === 1) right++
    reached.fill(1, left, right + 1)
    for (const beside of [left - width, left + width]) {
      if (beside < 0 || beside >= free.length) continue
      let inRun = false
      for (let at = beside; at <= beside + right - left; at++) {
        const open = free[at] === 1 && reached[at] === 0
        if (open && !inRun) rows.push(at)
        inRun = open
      }
    }
  }
  return reached
}

/** Takes the pixels with a 1 that hang together with one of them by their sides: they are 0 from now on. Cost: O(those). */
export function takePiece(of: Uint8Array, width: number, start: number): number[] {
  const piece = [start]
  of[start] = 0
  for (const at of piece) {
    const x = at % width
    for (const next of [at - width, at + width, x > 0 ? at - 1 : -1, x < width - 1 ? at + 1 : -1])
      if (of[next] === 1) {
        of[next] = 0
        piece.push(next)
      }
  }
  return piece
}

/** The way from a pixel to where nothing beside has more room. */
function uphill(room: Uint16Array, width: number, start: number): number[] {
  const way = [start]
  for (let at = start; ; way.push(at)) {
    let best = at
    for (const next of besides(at, width, room.length)) if (room[next]! > room[best]!) best = next
    if (best === at) return way
    at = best
  }
}

function besides(at: number, width: number, all: number): number[] {
  const x = at % width
  const found: number[] = []
  for (const dy of [-width, 0, width])
    for (const dx of [-1, 0, 1]) {
      const next = at + dy + dx
      if (next !== at && x + dx >= 0 && x + dx < width && next >= 0 && next < all) found.push(next)
    }
  return found
}

const OURS = 1
const OTHERS = 2

/** The part of what is reached that hangs together with the end of `way` by more than `narrow` room, with what is narrow and nearer to it than to others. */
function parted(
  reached: Uint8Array,
  room: Uint16Array,
  width: number,
  way: readonly number[],
  narrow: number,
): Uint8Array {
  const wide = new Uint8Array(reached.length)
  for (let at = 0; at < wide.length; at++) if (room[at]! > narrow) wide[at] = 1
  const of = flood(wide, width, way.at(-1)!)
  for (const step of way) of[step] = OURS
  let others = false
  for (let at = 0; at < wide.length; at++)
    if (wide[at] === 1 && of[at] === 0) {
      of[at] = OTHERS
      others = true
    }
  if (!others) return reached
  shareOut(of, reached, room, width, Math.ceil(narrow))
  for (let at = 0; at < of.length; at++) if (of[at] === OTHERS) of[at] = 0
  return of
}

/** Gives what belongs to nobody yet to whom it hangs together with, the roomiest first. */
function shareOut(of: Uint8Array, reached: Uint8Array, room: Uint16Array, width: number, most: number): void {
  const steps: number[][] = Array.from({ length: most + 1 }, () => [])
  for (let at = 0; at < of.length; at++)
    if (of[at] === 0 && reached[at] === 1 && ownerBeside(at, width, of) > 0) steps[room[at]!]!.push(at)
  for (let step = most; step >= 0; step--) {
    const now = steps[step]!
    // What is found goes behind what waits, so that fronts that come from two sides meet halfway.
    for (let index = 0; index < now.length; index++) {
      const at = now[index]!
      if (of[at] !== 0) continue
      of[at] = ownerBeside(at, width, of) || OURS
      for (const next of [at - width, at - 1, at + 1, at + width])
        if (of[next] === 0 && reached[next] === 1 && isBeside(at, next, width))
          steps[Math.min(step, room[next]!)]!.push(next)
    }
  }
}

const isBeside = (at: number, next: number, width: number) => Math.abs((at % width) - (next % width)) <= 1

/** To whom the first of those at the sides of a pixel belongs that belongs to anybody; 0: none does. */
function ownerBeside(at: number, width: number, of: Uint8Array): number {
  const x = at % width
  if (of[at - width]) return of[at - width]!
  if (x > 0 && of[at - 1]) return of[at - 1]!
  if (x < width - 1 && of[at + 1]) return of[at + 1]!
  return of[at + width] ?? 0
}
