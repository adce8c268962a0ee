import { type LengthUnit, mm } from '@hand-back/core'

/** Numbers beside marks. */
export interface Numbered {
  readonly x: number
  readonly y: number
  readonly words: string
}

/** The marks of a straight scale of this length from 0, 0 to the right, as a path, and its numbers. In points. */
export function straightScale(long: number, unit: LengthUnit): { marks: string; numbers: Numbered[] } {
  const [step, whole, half] = unit === 'cm' ? [mm(1), 10, 5] : [72 / 16, 16, 8]
  const marks: string[] = []
  const numbers: Numbered[] = []
  for (let mark = 0; mark * step <= long + 1e-6; mark++) {
    const x = mark * step
    const deep = mark % whole === 0 ? mm(5) : mark % half === 0 ? mm(3.8) : mm(2.4)
    marks.push(`M${x.toFixed(2)} 0V${deep.toFixed(2)}`)
    if (mark % whole === 0) numbers.push({ x, y: mm(8.6), words: String(mark / whole) })
  }
  return { marks: marks.join(''), numbers }
}

/** The degrees of half a round with its middle at 0, 0, as a path, and the numbers anticlockwise and clockwise. */
export function roundScale(radius: number): { marks: string; outer: Numbered[]; inner: Numbered[] } {
  const marks: string[] = []
  const outer: Numbered[] = []
  const inner: Numbered[] = []
  for (let degree = 0; degree <= 180; degree++) {
    const deep = degree % 10 === 0 ? 0.86 : degree % 5 === 0 ? 0.91 : 0.945
    const at = (part: number) => placeAt(radius * part, degree)
    const [from, to] = [at(1), at(deep)]
    marks.push(`M${from.x.toFixed(2)} ${from.y.toFixed(2)}L${to.x.toFixed(2)} ${to.y.toFixed(2)}`)
    if (degree % 10 !== 0) continue
    outer.push({ ...at(0.79), words: String(degree) })
    inner.push({ ...at(0.64), words: String(180 - degree) })
  }
  return { marks: marks.join(''), outer, inner }
}

/** A place so far from 0, 0 at an angle, in degrees anticlockwise from the right. */
export function placeAt(far: number, degree: number): { x: number; y: number } {
  const angle = (degree * Math.PI) / 180
  return { x: far * Math.cos(angle), y: -far * Math.sin(angle) }
}
