import { type Bounds, overlap } from '../ink/points.ts'
import { type Box, boundsOfBox } from '../worksheet/box.ts'
import type { Question } from '../worksheet/sheet.ts'

/** Feedback farther from every area than this is about no question, in points: an inch. */
const REACH = 72
/** How much less a distance across counts than one down: feedback stands in the margin, level with its question. */
const ACROSS = 0.15

/**
 * The question that a piece of feedback belongs to: the one whose areas on the page it covers most; where it
 * covers none, the nearest, of two as near the upper one. None where all are far away.
 */
export function questionOf<Q extends Pick<Question, 'areas'>>(
  questions: readonly Q[],
  page: string,
  bounds: Bounds,
): Q | undefined {
  const near = questions.flatMap((question) => {
    const areas = question.areas.filter((area) => area.page === page)
    if (areas.length === 0) return []
    const covered = areas.reduce((sum, area) => sum + shared(bounds, boundsOfBox(area)), 0)
    const away = Math.min(...areas.map((area) => distance(bounds, area)))
    const top = Math.min(...areas.map(({ y }) => y))
    return away <= REACH ? [{ question, covered, away, top }] : []
  })
  near.sort((a, b) => b.covered - a.covered || a.away - b.away || a.top - b.top)
  return near[0]?.question
}

/** How much of two rectangles is the same, in square points; what is thinner than a point counts as one thick. */
function shared(a: Bounds, b: Bounds): number {
  if (!overlap(a, b)) return 0
  const width = Math.min(a.x1, b.x1) - Math.max(a.x0, b.x0)
  const height = Math.min(a.y1, b.y1) - Math.max(a.y0, b.y0)
  return Math.max(1, width) * Math.max(1, height)
}

function distance(bounds: Bounds, area: Box): number {
  const { x0, y0, x1, y1 } = boundsOfBox(area)
  const across = Math.max(0, x0 - bounds.x1, bounds.x0 - x1)
  const down = Math.max(0, y0 - bounds.y1, bounds.y0 - y1)
  return down + across * ACROSS
}
