import qrcode from 'qrcode-generator'
import type { Drawn } from '../draw/drawn.ts'
import { type Box, mm } from '../worksheet/box.ts'
import { type PageCode, writePageCode } from './pageCode.ts'

/** A code is so large, and stands so far from the page's lower right corner: printers leave 5 mm free. */
const SIDE = mm(18)
const MARGIN = mm(7)
/** White around it, in dots of the code: less than the four that the standard asks for lies on white paper anyway. */
const QUIET = 2

/** Where the code stands on a page, in points. */
export const codeBox = ({ width, height }: { width: number; height: number }): Box => ({
  x: width - MARGIN - SIDE,
  y: height - MARGIN - SIDE,
  width: SIDE,
  height: SIDE,
})

/** The code of a page as it is printed at its lower right corner (QR, ISO/IEC 18004, level M: 15 % of it may be lost). */
export function drawnCode(code: PageCode, page: { width: number; height: number }): Drawn[] {
  const qr = qrcode(0, 'M')
  qr.addData(writePageCode(code), 'Alphanumeric')
  qr.make()
  const count = qr.getModuleCount()
  const { x, y, width } = codeBox(page)
  const dot = width / count
  const dark: string[] = []
  for (let row = 0; row < count; row++)
    for (let column = 0; column < count; column++) {
      if (!qr.isDark(row, column)) continue
      const [left, top] = [x + column * dot, y + row * dot]
      const [right, foot] = [left + dot, top + dot].map(short)
      dark.push(
        `M${short(left)} ${short(top)}L${right} ${short(top)}L${right} ${foot}L${short(left)} ${foot}Z`,
      )
    }
  const quiet = QUIET * dot
  const around = [x - quiet, y - quiet, x + width + quiet, y + width + quiet].map(short)
  const [left, top, right, foot] = around
  return [
    { kind: 'path', d: `M${left} ${top}L${right} ${top}L${right} ${foot}L${left} ${foot}Z`, fill: '#ffffff' },
    { kind: 'path', d: dark.join(''), fill: '#000000' },
  ]
}

const short = (value: number) => String(Math.round(value * 1000) / 1000)
