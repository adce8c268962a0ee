/** A longer pause between two things that somebody did is not work, in milliseconds. */
export const LONGEST_PAUSE = 2 * 60_000

/**
 * The time that was really spent working, in milliseconds, of the moments (by the clock of each person's device, in
 * milliseconds, in any order) at which each person did something. What lies between two moments counts, unless it is a
 * pause longer than `LONGEST_PAUSE`: somebody was elsewhere. Where several work at once, their time counts once.
 */
export function timeWorked(byPerson: Iterable<readonly number[]>): number {
  const stretches = [...byPerson].flatMap(stretchesOf).sort((a, b) => a[0] - b[0])
  let worked = 0
  let until = Number.NEGATIVE_INFINITY
  for (const [from, to] of stretches) {
    worked += Math.max(0, to - Math.max(from, until))
    until = Math.max(until, to)
  }
  return worked
}

type Stretch = readonly [from: number, to: number]

function stretchesOf(moments: readonly number[]): Stretch[] {
  const inOrder = [...moments].sort((a, b) => a - b)
  return inOrder.flatMap((to, index) => {
    const from = inOrder[index - 1]
    return from !== undefined && to - from <= LONGEST_PAUSE ? [[from, to] as const] : []
  })
}
