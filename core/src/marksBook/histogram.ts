import { sayMarks } from '../marks/sayMarks.ts'
import type { Reached } from './reached.ts'

/** A bar of a histogram: what it stands for, and what lies in it. */
export interface Bar<Of> {
  readonly label: string
  readonly of: readonly Of[]
}

const TENTHS = 10

/**
 * Ten bars for the share of marks that was reached: 0–9 %, 10–19 %, …, 90–100 %. Whole numbers decide, so that exactly
 * half stands in 50–59 %. What could have no marks stands in none. Law: everything else stands in exactly one.
 */
export function histogramOf<Of extends Reached>(marks: readonly Of[]): Bar<Of>[] {
  const bars = Array.from({ length: TENTHS }, (_, at) => ({
    label: at === TENTHS - 1 ? '90–100 %' : `${at * 10}–${at * 10 + 9} %`,
    of: [] as Of[],
  }))
  for (const each of marks)
    if (each.full > 0)
      bars[Math.min(TENTHS - 1, Math.floor((each.given * TENTHS) / each.full))]!.of.push(each)
  return bars
}

/** With more different marks than so many a question's bars are tenths of its full marks. */
const MOST_BARS = 12

/**
 * The bars of one question: one for each mark from none to full in steps of `step` hundredths that all marks are a
 * multiple of, a whole mark or a half where that is so; with too many of them, tenths (`histogramOf`).
 */
export function barsOfQuestion<Of extends Reached>(marks: readonly Of[], full: number): Bar<Of>[] {
  const step = [100, 50, 25].find(
    (each) => full % each === 0 && marks.every(({ given }) => given % each === 0),
  )
  if (step === undefined || full / step + 1 > MOST_BARS || marks.some((each) => each.full !== full))
    return histogramOf(marks)
  return Array.from({ length: full / step + 1 }, (_, at) => ({
    label: sayMarks(at * step),
    of: marks.filter(({ given }) => given === at * step),
  }))
}
