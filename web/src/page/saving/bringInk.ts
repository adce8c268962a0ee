import {
  boundsOf,
  type InkFile,
  inLengths,
  packPoints,
  readInkML,
  type Stroke,
  toBase64,
} from '@hand-back/core'

/** Ink that says not how large it is takes this part of a page, and its pens are as wide as this, in points. */
const PART = 0.7
const WIDTH = 1.6
const INK = '#1e2b3a'

/** The strokes of an ink file for a page. Throws `NotInkML` for what is none. */
export async function strokesOf(file: Blob, page: { width: number; height: number }): Promise<Stroke[]> {
  const { traces, isSized } = readInkML(await file.text())
  const place = isSized ? placeInside(traces, page) : placeFitting(traces, page)
  return traces.flatMap(({ nib, colour = INK, width = WIDTH, points }) =>
    inLengths(points.map((point) => ({ ...point, ...place(point) }))).map((part) => ({
      ...{ id: crypto.randomUUID(), kind: 'stroke' as const, nib, colour, width },
      points: toBase64(packPoints(part)),
    })),
  )
}

type Traces = InkFile['traces']
type Place = (at: { x: number; y: number }) => { x: number; y: number }

/** As large as it says, where it says; what would lie beside the page is moved onto it as a whole. */
function placeInside(traces: Traces, { width, height }: { width: number; height: number }): Place {
  const { x0, y0, x1, y1 } = boundsOf(traces.flatMap(({ points }) => points))
  const off = (from: number, to: number, long: number) =>
    from >= 0 && to <= long ? 0 : (long - from - to) / 2
  const [dx, dy] = [off(x0, x1, width), off(y0, y1, height)]
  return ({ x, y }) => ({ x: x + dx, y: y + dy })
}

function placeFitting(traces: Traces, { width, height }: { width: number; height: number }): Place {
  const { x0, y0, x1, y1 } = boundsOf(traces.flatMap(({ points }) => points))
  const factor = Math.min((width * PART) / Math.max(1e-9, x1 - x0), (height * PART) / Math.max(1e-9, y1 - y0))
  const [left, top] = [(width - (x1 - x0) * factor) / 2, (height - (y1 - y0) * factor) / 2]
  return ({ x, y }) => ({ x: left + (x - x0) * factor, y: top + (y - y0) * factor })
}
