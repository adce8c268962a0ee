/** What the clock of school showed, beside what this page's own count of milliseconds showed. */
export interface ClockReading {
  /** School's time, less this page's count: add it to the count and it is school's time. */
  readonly ahead: number
  /** How long the answer took, in milliseconds: the reading is wrong by half of it at most. */
  readonly took: number
  /** This page's count when the answer came. */
  readonly at: number
}

/** A reading is trusted over a quicker one for so long, in milliseconds: counts drift, and stand still while a laptop sleeps. */
const OLD = 60_000

/** School said `now` to a question that was asked and answered at these counts of this page. */
export const readingOf = (now: number, asked: number, answered: number): ClockReading => ({
  ahead: now - (asked + answered) / 2,
  took: answered - asked,
  at: answered,
})

/** Which of two readings of one clock is nearer to it: the quicker, unless it is old or the newer one proves it wrong. */
export function betterReading(before: ClockReading | undefined, now: ClockReading): ClockReading {
  if (!before || now.took <= before.took || now.at - before.at > OLD) return now
  const apart = Math.abs(now.ahead - before.ahead)
  return apart > (now.took + before.took) / 2 ? now : before
}
