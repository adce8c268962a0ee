/**
 * Numbers from 0 to 1 that follow from a seed: the same on every device. mulberry32, by Tommy Ettinger
 * (public domain).
 */
export function seededRandom(seed: number): () => number {
  let state = seed | 0
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296
  }
}

/** The list in an order that follows from the seed (Fisher and Yates, as Durstenfeld has it). */
export function shuffled<T>(list: readonly T[], seed: number): T[] {
  const random = seededRandom(seed)
  const mixed = [...list]
  for (let last = mixed.length - 1; last > 0; last--) {
    const other = Math.floor(random() * (last + 1))
    ;[mixed[last], mixed[other]] = [mixed[other]!, mixed[last]!]
  }
  return mixed
}
