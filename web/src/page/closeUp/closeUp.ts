import {
  type Bounds,
  type Box,
  boundsOfBox,
  middle,
  mm,
  type WorksheetPage,
  type WritingLine,
  writingLines,
} from '@hand-back/core'

/** How far apart the lines are that one writes on, in points: as the paper says, else as the writing is high. */
export function lineStep(page: WorksheetPage, height: number): number {
  const { paper } = page
  if (paper.kind === 'ruled') {
    const { ruling } = paper
    if (ruling.form === 'ruled') return mm(ruling.spacing)
    if (ruling.form === 'handwriting') return mm(ruling.height) * 1.5
    if (ruling.form === 'squared' || ruling.form === 'dotted') return mm(ruling.side) * 2
  }
  return height * 0.8
}

/** Where in the window the line stands that one writes on, as a part of its height: tails need room under it. */
export const LINE_AT = 0.7

/** How much of the window is written on before it moves along, and by how much it then moves. */
const FULL = 0.7
const GOES = 0.55
/** The least that is left of a line for writing to go on in it, as a part of the window. */
const LEAST_LEFT = 0.25

/**
 * Where the window of large writing goes next, after a stroke that reached `reached` (x, points of the
 * page): stays, moves along the line, or to the start of the next one. Never beyond the page.
 */
export function nextWindow(window: Box, reached: number, lineStart: number, page: WorksheetPage): Box {
  if (reached < window.x + window.width * FULL) return window
  const most = page.width - window.width
  const x = window.x + window.width * GOES
  if (window.x < most && x - most < window.width * (1 - LEAST_LEFT))
    return { ...window, x: Math.min(most, x) }
  return nextLine(window, lineStart, page)
}

/** The window at the start of the next line; at the foot of the page it stays. */
export function nextLine(window: Box, lineStart: number, page: WorksheetPage): Box {
  const y = window.y + lineStep(page, window.height)
  if (y + window.height > page.height + lineStep(page, window.height)) return window
  const x = Math.min(lineStart, page.width - window.width)
  return { ...window, x, y: Math.min(y, page.height - window.height) }
}

/** A window of a height, with the shape of what shows it, kept on the page. */
export function windowAt(
  at: { x: number; y: number },
  height: number,
  shape: number,
  page: WorksheetPage,
): Box {
  const width = Math.min(page.width, height * shape)
  return {
    x: Math.min(Math.max(0, at.x), Math.max(0, page.width - width)),
    y: Math.min(Math.max(0, at.y), Math.max(0, page.height - height)),
    width,
    height,
  }
}

/** Between what was written last and where it goes on, in points. */
const SPACE = 6

/**
 * Where large writing begins: after what was written last, where that is in sight (`seen`); else at the
 * beginning of the nearest line to write on; else in the middle of what is seen. `height`: of the window.
 */
export function beginAt(
  page: WorksheetPage,
  own: readonly Bounds[],
  seen: Box,
  height: number,
): { x: number; y: number; lineStart: number } {
  // What is much higher than a line is a drawing.
  const last = own.findLast(({ y0, y1 }) => y1 - y0 <= height * 1.5)
  const centre = middle(seen)
  if (last && touch(last, boundsOfBox(seen)) && last.x1 + height < page.width)
    return {
      x: last.x1 + SPACE,
      y: (last.y0 + last.y1) / 2 - height / 2,
      lineStart: Math.min(...own.filter((each) => beside(each, last, height)).map(({ x0 }) => x0)),
    }
  const far = ({ x, y, width }: WritingLine) =>
    Math.hypot(y - centre.y, Math.max(0, x - centre.x, centre.x - x - width))
  const [nearest] = writingLines(page).sort((a, b) => far(a) - far(b))
  const free = Math.max(0, seen.x) + SPACE
  if (!nearest) return { x: free, y: centre.y - height / 2, lineStart: free }
  return { x: nearest.x, y: nearest.y - height * LINE_AT, lineStart: nearest.x }
}

/** Whether two stand on the same line of writing. */
const beside = (a: Bounds, b: Bounds, height: number) =>
  Math.abs((a.y0 + a.y1) / 2 - (b.y0 + b.y1) / 2) < height / 2

const touch = (a: Bounds, b: Bounds) => a.x0 <= b.x1 && b.x0 <= a.x1 && a.y0 <= b.y1 && b.y0 <= a.y1
