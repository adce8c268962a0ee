import { PDFDocument } from '@cantoo/pdf-lib'
import { SLIP_PAGE, type Slip, slipMarks } from '@hand-back/core'
import { drawOver, MarkWriter, measure, Originals } from '../pdf/index.ts'

/** The PDF of slips, A4, to be cut. */
export async function drawSlips(slips: readonly Slip[]): Promise<Uint8Array> {
  const output = await PDFDocument.create()
  output.setTitle('Slips')
  const writer = new MarkWriter(output, new Originals(new Map()))
  for (const marks of slipMarks(slips, measure)) {
    const page = output.addPage([SLIP_PAGE.width, SLIP_PAGE.height])
    drawOver(output, page, [1, 0, 0, -1, 0, SLIP_PAGE.height], await writer.operators(page, marks))
  }
  return output.save()
}
