import { type Box, bottom, middle, mm, right } from '../worksheet/box.ts'
import type { WorksheetPage } from '../worksheet/page.ts'

/** A line that something moved came to lie on: where it is, and from where to where it is shown. */
export interface SnapGuide {
  readonly way: 'across' | 'down'
  readonly at: number
  readonly from: number
  readonly to: number
}

/** What can be snapped to: lines `down` the page (by x) and `across` it (by y), with their extent. */
export interface SnapLines {
  readonly down: readonly { readonly at: number; readonly from: number; readonly to: number }[]
  readonly across: readonly { readonly at: number; readonly from: number; readonly to: number }[]
}

/** The lines of a page's things (their sides and middles), of the page itself, and of its paper. */
export function snapLines(page: WorksheetPage, others: readonly Box[]): SnapLines {
  const down: { at: number; from: number; to: number }[] = []
  const across: { at: number; from: number; to: number }[] = []
  for (const box of [...others, { x: 0, y: 0, width: page.width, height: page.height }]) {
    for (const at of [box.x, middle(box).x, right(box)]) down.push({ at, from: box.y, to: bottom(box) })
    for (const at of [box.y, middle(box).y, bottom(box)]) across.push({ at, from: box.x, to: right(box) })
  }
  for (const at of paperLines(page, 'down')) down.push({ at, from: 0, to: page.height })
  for (const at of paperLines(page, 'across')) across.push({ at, from: 0, to: page.width })
  return { down, across }
}

/** Where the lines of a ruled paper lie, for snapping; the same places as they are drawn at. */
export function paperLines(page: WorksheetPage, way: 'down' | 'across'): number[] {
  if (page.paper.kind !== 'ruled') return []
  const { ruling } = page.paper
  const margin = Math.min(mm(15), page.width / 8, page.height / 8)
  const room = (way === 'down' ? page.width : page.height) - 2 * margin
  const lines = (first: number, step: number) => {
    const found: number[] = []
    for (let at = first; at <= margin + room + 0.01; at += step) found.push(at)
    return found
  }
  switch (ruling.form) {
    case 'squared': {
      const side = mm(ruling.side)
      const count = Math.floor(room / side + 0.001)
      return lines(margin + (room - count * side) / 2, side).slice(0, count + 1)
    }
    case 'dotted':
      return lines(margin, mm(ruling.side))
    case 'ruled':
      return way === 'across' ? lines(margin + mm(ruling.spacing), mm(ruling.spacing)) : []
    case 'columns':
      return way === 'down' ? lines(margin, room / ruling.count) : []
    default:
      return []
  }
}

/**
 * Moves a box onto lines that its sides or middle nearly touch. Each direction goes to its nearest line
 * within `reach` points; the guides say which lines those were.
 *
 * Laws: it moves at most `reach` each way; snapping what snapped moves nothing; no lines, no move.
 */
export function snapMove(
  box: Box,
  lines: SnapLines,
  reach: number,
): { dx: number; dy: number; guides: SnapGuide[] } {
  const x = nearest([box.x, middle(box).x, right(box)], lines.down, reach)
  const y = nearest([box.y, middle(box).y, bottom(box)], lines.across, reach)
  const moved = { ...box, x: box.x + (x?.by ?? 0), y: box.y + (y?.by ?? 0) }
  return { dx: x?.by ?? 0, dy: y?.by ?? 0, guides: guidesOf(moved, x, y) }
}

/** The same for one dragged side each way: `x` and `y` are where they are now, or nothing where none is dragged. */
export function snapSides(
  sides: { x?: number | undefined; y?: number | undefined },
  lines: SnapLines,
  reach: number,
): { dx: number; dy: number; guides: SnapGuide[] } {
  const x = sides.x === undefined ? undefined : nearest([sides.x], lines.down, reach)
  const y = sides.y === undefined ? undefined : nearest([sides.y], lines.across, reach)
  const at = { x: sides.x ?? 0, y: sides.y ?? 0, width: 0, height: 0 }
  return { dx: x?.by ?? 0, dy: y?.by ?? 0, guides: guidesOf(at, x, y) }
}

interface Found {
  readonly by: number
  readonly line: { readonly at: number; readonly from: number; readonly to: number }
}

function nearest(places: readonly number[], lines: SnapLines['down'], reach: number): Found | undefined {
  let best: Found | undefined
  for (const line of lines)
    for (const place of places) {
      const by = line.at - place
      if (Math.abs(by) <= reach && (!best || Math.abs(by) < Math.abs(best.by))) best = { by, line }
    }
  return best
}

function guidesOf(box: Box, x: Found | undefined, y: Found | undefined): SnapGuide[] {
  const guides: SnapGuide[] = []
  if (x)
    guides.push({
      way: 'down',
      at: x.line.at,
      from: Math.min(x.line.from, box.y),
      to: Math.max(x.line.to, bottom(box)),
    })
  if (y)
    guides.push({
      way: 'across',
      at: y.line.at,
      from: Math.min(y.line.from, box.x),
      to: Math.max(y.line.to, right(box)),
    })
  return guides
}
