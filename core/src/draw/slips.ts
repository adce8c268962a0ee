import { INK } from '../kinds/lettering.ts'
import { type Box, mm } from '../worksheet/box.ts'
import { boxPath, type Drawn, type Measure } from './drawn.ts'
import { drawnText, type TextStyle } from './text.ts'

/** What stands on a slip that signs a student in. */
export interface Slip {
  readonly name: string
  readonly className: string
  readonly code: string
  /** Only where it was just made: it is kept nowhere. */
  readonly pin: string | null
  readonly address: string
  /** The squares of the QR code, row by row; true is dark. */
  readonly squares: readonly (readonly boolean[])[]
}

/** The page that slips are printed on, and how they stand on it: A4, in points. */
export const SLIP_PAGE = { width: mm(210), height: mm(297) }
const COLUMNS = 2
const ROWS = 4
const MARGIN = mm(10)
const QR = mm(38)
const SOFT = '#55606b'

/** What is drawn on each page of slips, eight on a page, with lines to cut along. */
export function drawnSlips(slips: readonly Slip[], measure: Measure): Drawn[][] {
  const pages: Drawn[][] = []
  for (let at = 0; at < slips.length; at += COLUMNS * ROWS) {
    const here = slips.slice(at, at + COLUMNS * ROWS)
    pages.push(here.flatMap((slip, index) => oneSlip(slip, slipBox(index), measure)))
  }
  return pages
}

function slipBox(index: number): Box {
  const width = (SLIP_PAGE.width - 2 * MARGIN) / COLUMNS
  const height = (SLIP_PAGE.height - 2 * MARGIN) / ROWS
  return {
    x: MARGIN + (index % COLUMNS) * width,
    y: MARGIN + Math.floor(index / COLUMNS) * height,
    width,
    height,
  }
}

function oneSlip(
  { name, className, code, pin, address, squares }: Slip,
  box: Box,
  measure: Measure,
): Drawn[] {
  const inside = { x: box.x + mm(5), y: box.y + mm(6), width: box.width - QR - mm(13), height: 0 }
  const soft: TextStyle = { face: 'plain', size: 9, bold: false, colour: SOFT }
  const title = fitted(name, inside.width, measure)
  const words = drawnText(name, inside, title, measure)
  const below = { ...inside, y: inside.y + words.height + mm(1) }
  const about = drawnText(className, below, { ...soft, size: 11 }, measure)
  const lines = [`class code ${code}`, pin === null ? 'your PIN as before' : `PIN ${pin}`]
  const secret = drawnText(
    lines.join('\n'),
    { ...below, y: below.y + about.height + mm(3) },
    { face: 'plain', size: 12, bold: true, colour: INK },
    measure,
  )
  const foot = drawnText(
    `Point the tablet’s camera at the squares, or go to ${address}`,
    { ...inside, y: box.y + box.height - mm(16) },
    soft,
    measure,
  )
  const qr = { x: box.x + box.width - QR - mm(5), y: box.y + mm(7), side: QR }
  return [
    { kind: 'path', d: boxPath(box), stroke: '#d5d0c3', width: 0.6, dash: [3, 3] },
    ...words.drawn,
    ...about.drawn,
    ...secret.drawn,
    ...foot.drawn,
    { kind: 'path', d: squaresPath(squares, qr), fill: '#000000' },
  ]
}

/** A name as large as fits on two lines. */
function fitted(name: string, width: number, measure: Measure): TextStyle {
  const style = (size: number): TextStyle => ({ face: 'book', size, bold: true, colour: INK })
  for (const size of [18, 15, 12]) {
    const { height } = drawnText(name, { x: 0, y: 0, width, height: 0 }, style(size), measure)
    if (height <= size * 1.4 * 2) return style(size)
  }
  return style(10)
}

/** One path of all dark squares; neighbours in a row are one bar. */
export function squaresPath(
  squares: readonly (readonly boolean[])[],
  { x, y, side }: { x: number; y: number; side: number },
): string {
  const unit = side / squares.length
  const bars: string[] = []
  for (const [row, cells] of squares.entries()) {
    for (let column = 0; column < cells.length; column++) {
      if (!cells[column]) continue
      const from = column
      while (cells[column + 1]) column++
      bars.push(
        boxPath({ x: x + from * unit, y: y + row * unit, width: (column - from + 1) * unit, height: unit }),
      )
    }
  }
  return bars.join('')
}
