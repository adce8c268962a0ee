/** Handwriting less unlike than this (`unlikeness`) is offered as one heap: of what is, nearly all is equal. */
export const ALIKE = 0.7

/**
 * Puts what is alike together: average linkage (Sokal and Michener 1958), by the chain of nearest neighbours
 * (Benzécri 1982), so that it takes O(count²).
 *
 * Returns the heaps, larger ones first, each in an order in which those most alike stand beside each other; what is
 * like nothing is a heap of one. `unlike(a, b)` is how unlike two are, from their numbers from 0 to `count`.
 *
 * Laws: every number stands in one heap; within a heap the mean unlikeness of what was joined is at most `most`.
 */
export function likelyHeaps(
  count: number,
  unlike: (a: number, b: number) => number,
  most: number,
): number[][] {
  const clusters = Array.from({ length: count }, (_, at) => [at])
  const far = Array.from({ length: count }, () => new Float64Array(count))
  for (let a = 0; a < count; a++)
    for (let b = 0; b < a; b++) {
      const apart = unlike(a, b)
      far[a]![b] = apart
      far[b]![a] = apart
    }
  const left = new Set(clusters.keys())
  const chain: number[] = []
  const done: number[][] = []
  while (left.size > 0) {
    if (chain.length === 0) chain.push(left.values().next().value!)
    const last = chain.at(-1)!
    const before = chain.at(-2)
    const nearest = nearestOf(last, before, left, far[last]!)
    if (nearest === undefined || far[last]![nearest]! > most) {
      // Nothing that comes nearer to it later: means only grow.
      chain.pop()
      left.delete(last)
      done.push(clusters[last]!)
    } else if (nearest === before) {
      chain.splice(-2)
      join(last, before, clusters, far, left)
    } else chain.push(nearest)
  }
  return done.sort((a, b) => b.length - a.length || a[0]! - b[0]!)
}

/** What is nearest to one; of two as near, the one before it in the chain: else it would never end. */
function nearestOf(
  of: number,
  before: number | undefined,
  left: ReadonlySet<number>,
  far: Float64Array,
): number | undefined {
  let nearest = before
  for (const other of left)
    if (other !== of && (nearest === undefined || far[other]! < far[nearest]!)) nearest = other
  return nearest
}

/** Joins `other` into `one`: how far the whole is from others is the mean of its members. */
function join(
  one: number,
  other: number,
  clusters: number[][],
  far: readonly Float64Array[],
  left: Set<number>,
): void {
  const [a, b] = [clusters[one]!, clusters[other]!]
  left.delete(other)
  for (const third of left) {
    if (third === one) continue
    const mean = (far[one]![third]! * a.length + far[other]![third]! * b.length) / (a.length + b.length)
    far[one]![third] = mean
    far[third]![one] = mean
  }
  clusters[one] = [...a, ...b]
}
