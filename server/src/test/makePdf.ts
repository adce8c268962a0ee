import { degrees, PDFDocument, StandardFonts } from '@cantoo/pdf-lib'

export interface MadePage {
  readonly width?: number
  readonly height?: number
  /** Clockwise, in degrees. */
  readonly turn?: number
  /** Lower left corner, width and height. */
  readonly crop?: readonly [number, number, number, number]
}

/** A PDF with these pages, each saying its number. */
export async function makePdf(pages: readonly MadePage[] = [{}], password?: string): Promise<Uint8Array> {
  const pdf = await PDFDocument.create()
  const font = await pdf.embedFont(StandardFonts.Helvetica)
  pages.forEach(({ width = 595, height = 842, turn = 0, crop }, index) => {
    const page = pdf.addPage([width, height])
    page.drawText(`page ${index + 1}`, { x: width / 2, y: height / 2, size: 20, font })
    if (crop) page.setCropBox(...crop)
    page.setRotation(degrees(turn))
  })
  if (password) pdf.encrypt({ userPassword: password, ownerPassword: password })
  return pdf.save({ useObjectStreams: !password })
}
