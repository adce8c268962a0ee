import type { InkPoint } from './points.ts'

/** Samples closer than this to the one before say nothing new: a tenth of a point is a thirtieth of a millimetre. */
export const LEAST_STEP = 0.1

/** Whether a new sample is worth keeping after `last`: it moved at least `LEAST_STEP` points or the pressure clearly changed. */
export function worthKeeping(last: InkPoint | undefined, next: InkPoint): boolean {
  if (!last) return true
  const dx = next.x - last.x
  const dy = next.y - last.y
  return dx * dx + dy * dy >= LEAST_STEP * LEAST_STEP || Math.abs(next.pressure - last.pressure) > 0.1
}
