import { z } from 'zod'
import { ruling } from './ruling.ts'

/** The SHA-256 of a file's bytes, in hexadecimal: its name everywhere. */
export const fileId = z.string().regex(/^[0-9a-f]{64}$/)

/** A quarter turn of a page, clockwise, in degrees. */
export const quarterTurn = z.union([z.literal(0), z.literal(90), z.literal(180), z.literal(270)])
export type QuarterTurn = z.infer<typeof quarterTurn>

/**
 * What a page is made of. A PDF page is named by its number (from 1) and seen through its crop box
 * (PDF user space, lower left and upper right corner) after its turn; `unit` is its UserUnit. A picture
 * is seen after its EXIF turn and then its own.
 */
export const paper = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('pdf'),
    file: fileId,
    number: z.number().int().min(1),
    box: z.tuple([z.number(), z.number(), z.number(), z.number()]),
    turn: quarterTurn,
    unit: z.number().positive(),
  }),
  z.object({ kind: z.literal('picture'), file: fileId, turn: quarterTurn.optional() }),
  z.object({ kind: z.literal('ruled'), ruling }),
])
export type Paper = z.infer<typeof paper>
export type PdfPaper = Extract<Paper, { kind: 'pdf' }>

/** The size in points at which a PDF page is seen: its crop box times its unit, turned. */
export function seenSize(of: Pick<PdfPaper, 'box' | 'turn' | 'unit'>): { width: number; height: number } {
  const width = (of.box[2] - of.box[0]) * of.unit
  const height = (of.box[3] - of.box[1]) * of.unit
  return of.turn % 180 === 0 ? { width, height } : { width: height, height: width }
}

/** An affine map as PDF writes it: x' = a·x + c·y + e, y' = b·x + d·y + f. */
export type Affine = readonly [a: number, b: number, c: number, d: number, e: number, f: number]

/**
 * Maps page space (points, from the top left of the page as it is seen, y down) to the user space of
 * the PDF page (y up, before its turn). Source: ISO 32000-2, 8.3.2 and 14.11.2.
 */
export function seenToPdf(of: Pick<PdfPaper, 'box' | 'turn' | 'unit'>): Affine {
  const [x0, y0, x1, y1] = of.box
  const s = 1 / of.unit
  switch (of.turn) {
    case 0:
      return [s, 0, 0, -s, x0, y1]
    case 90:
      return [0, s, s, 0, x0, y0]
    case 180:
      return [-s, 0, 0, s, x1, y0]
    case 270:
      return [0, -s, -s, 0, x1, y1]
  }
}

/** A4 in points: the sheet that pictures without a told size are fitted into. */
const A4 = { short: 595.28, long: 841.89 }

/** The page size in points for a picture of `width` × `height` pixels: as large as fits an A4 sheet, upright or lying as the picture is. */
export function pictureSize(width: number, height: number): { width: number; height: number } {
  const [across, down] = width > height ? [A4.long, A4.short] : [A4.short, A4.long]
  const scale = Math.min(across / width, down / height)
  return { width: width * scale, height: height * scale }
}

/** The map that first does `inner`, then `outer`. */
export function joinAffine(outer: Affine, inner: Affine): Affine {
  const [a, b, c, d, e, f] = outer
  const [g, h, i, j, k, l] = inner
  return [a * g + c * h, b * g + d * h, a * i + c * j, b * i + d * j, a * k + c * l + e, b * k + d * l + f]
}

/** The map back. Throws for a map that loses a direction. */
export function invertAffine([a, b, c, d, e, f]: Affine): Affine {
  const area = a * d - b * c
  if (area === 0) throw new RangeError('this map cannot be inverted')
  return [d / area, -b / area, -c / area, a / area, (c * f - d * e) / area, (b * e - a * f) / area]
}
