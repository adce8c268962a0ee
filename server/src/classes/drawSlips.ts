import { PDFDocument } from '@cantoo/pdf-lib'
import { drawnSlips, SLIP_PAGE, type Slip } from '@hand-back/core'
import { drawOver, measure, Originals, PdfPainter } from '../pdf/index.ts'

/** The PDF of slips, A4, to be cut. */
export async function drawSlips(slips: readonly Slip[]): Promise<Uint8Array> {
  const output = await PDFDocument.create()
  output.setTitle('Slips')
  const writer = new PdfPainter(output, new Originals(new Map()))
  for (const drawn of drawnSlips(slips, measure)) {
    const page = output.addPage([SLIP_PAGE.width, SLIP_PAGE.height])
    drawOver(output, page, [1, 0, 0, -1, 0, SLIP_PAGE.height], await writer.operators(page, drawn), {
      deflated: true,
    })
  }
  return output.save()
}
