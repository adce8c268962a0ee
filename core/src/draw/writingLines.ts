import { mm } from '../worksheet/box.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import { ruledArea } from './rulings.ts'

/** A line that is written on: where it begins, how long it is, and how high the letters over it may be, in points. */
export interface WritingLine {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

/** The height of writing over a single line that a teacher drew. */
const USUAL_HEIGHT = mm(8)
/** A drawn line that is shorter is no line to write on, and one that falls more is not level. */
const SHORTEST = mm(30)
const LEVEL = 2

/** The lines of a page that are there to be written on: those of its ruling, and level lines that were drawn on it. */
export function writingLines({ paper, printed, ...size }: WorksheetPage): WritingLine[] {
  const drawn = printed.flatMap((item): WritingLine[] =>
    item.kind === 'shape' &&
    item.form === 'line' &&
    item.height <= LEVEL &&
    item.width >= SHORTEST &&
    !item.turn
      ? [{ x: item.x, y: item.y + item.height / 2, width: item.width, height: USUAL_HEIGHT }]
      : [],
  )
  if (paper.kind !== 'ruled') return drawn
  const { ruling } = paper
  if (ruling.form !== 'ruled' && ruling.form !== 'handwriting') return drawn
  const { x, y, width, height } = ruledArea(size)
  const step = mm(ruling.form === 'ruled' ? ruling.spacing : 4 * ruling.height)
  // Of the four lines of a row of handwriting the third is the one that letters stand on.
  const first = ruling.form === 'ruled' ? y + step : y + step / 2
  const count = Math.max(0, Math.floor((y + height - first) / step + 0.01) + 1)
  return [
    ...drawn,
    ...Array.from({ length: count }, (_, row) => ({ x, y: first + row * step, width, height: step })),
  ]
}
