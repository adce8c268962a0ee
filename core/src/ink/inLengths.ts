import { MOST_POINTS_MADE } from './pack.ts'

/** The points of a way in as many parts as strokes are needed for it: each begins where the one before ended. */
export function inLengths<P>(points: readonly P[]): (readonly P[])[] {
  const parts: (readonly P[])[] = []
  for (let at = 0; at === 0 || at < points.length - 1; at += MOST_POINTS_MADE - 1)
    parts.push(points.slice(at, at + MOST_POINTS_MADE))
  return parts
}
