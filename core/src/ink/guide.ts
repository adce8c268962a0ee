import type { InkPoint } from './points.ts'

/**
 * Stands between a hand and its tool: what the hand does goes in, point by point, and what the tool is to
 * make of it comes out. One guide serves one stroke.
 */
export interface Guide {
  next(sample: InkPoint): InkPoint
  /** Where the stroke is to end, for a guide that lags behind; nothing when it already is there. */
  end(): InkPoint | undefined
}

/** A sample as it leaves guides that stand one behind another. */
export const guided = (guides: readonly Guide[], sample: InkPoint): InkPoint =>
  guides.reduce((at, guide) => guide.next(at), sample)

/** The places that are left when the hand is lifted: each guide's end goes through those behind it. */
export function guidedEnd(guides: readonly Guide[]): InkPoint[] {
  return guides.flatMap((guide, index) => {
    const end = guide.end()
    return end ? [guided(guides.slice(index + 1), end)] : []
  })
}
