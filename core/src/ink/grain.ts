/** The side of the piece of grain that repeats, in grains. */
export const GRAINS = 128
/** The side of a grain, in points. */
export const GRAIN_SIZE = 0.25

/** How much of what a pencil goes over takes its lead, from 0 to 1. */
const TAKEN = 0.8

let made: Uint8Array | undefined

/**
 * The grain of paper under a pencil: `GRAINS` rows of as many grains, 1 where lead stays and 0 where the paper
 * shows. Its edges meet, so that it can be laid side by side. Always the same: a page looks the same on every
 * device and in its PDF. Method: noise, softened so that grains hang together, and cut at a level.
 */
export function grain(): Uint8Array {
  made ??= cut(softened(noise(GRAINS * GRAINS)), TAKEN)
  return made
}

/** Numbers from 0 to 1 that look drawn by lot, by a linear congruential generator (Numerical Recipes). */
function noise(count: number): Float32Array {
  let state = 20260901
  return Float32Array.from({ length: count }, () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 2 ** 32
  })
}

/** Each the mean of itself and its eight neighbours, around the edges. */
function softened(of: Float32Array): Float32Array {
  const at = (x: number, y: number) => of[((y + GRAINS) % GRAINS) * GRAINS + ((x + GRAINS) % GRAINS)]!
  return of.map((_, index) => {
    const [x, y] = [index % GRAINS, Math.floor(index / GRAINS)]
    let sum = 0
    for (const dy of [-1, 0, 1]) for (const dx of [-1, 0, 1]) sum += at(x + dx, y + dy)
    return sum / 9
  })
}

/** 1 for the lowest `part` of them, else 0. */
function cut(of: Float32Array, part: number): Uint8Array {
  const level = [...of].sort((a, b) => a - b)[Math.floor(of.length * part)]!
  return Uint8Array.from(of, (value) => (value < level ? 1 : 0))
}
