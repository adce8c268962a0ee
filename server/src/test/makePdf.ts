import { degrees, PDFDocument, PDFName, StandardFonts } from '@cantoo/pdf-lib'

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

/** A PDF of one page whose drawing takes ten thousand million steps: forms that each draw the one before ten times. */
export async function makeMonstrousPdf(more: (pdf: PDFDocument) => void = () => {}): Promise<Uint8Array> {
  const pdf = await PDFDocument.create()
  const page = pdf.addPage([400, 300])
  const form = { Type: 'XObject', Subtype: 'Form', BBox: [0, 0, 400, 300] }
  let before = pdf.context.register(pdf.context.stream('0 0 m 10 10 l S', form))
  for (let depth = 0; depth < 10; depth++)
    before = pdf.context.register(
      pdf.context.stream('/F Do\n'.repeat(10), { ...form, Resources: { XObject: { F: before } } }),
    )
  page.node.normalize()
  page.node.Resources()!.set(PDFName.of('XObject'), pdf.context.obj({ F: before }))
  page.node.addContentStream(pdf.context.register(pdf.context.stream('/F Do')))
  more(pdf)
  return pdf.save()
}
