import type { PDFDocument, PDFPage } from '@cantoo/pdf-lib'
import type { Affine } from '@hand-back/core'

/** Draws operators over what a page has; `map` brings their points (y down) to the page's own. `mark`: as which piece of marked content. */
export function drawOver(
  output: PDFDocument,
  target: PDFPage,
  map: Affine,
  operators: string,
  mark?: number,
): void {
  // Wraps what is there in q … Q, so that its transformation and colours end where ours begin.
  target.node.normalize()
  const drawn = `q\n${map.map((number) => number.toFixed(5)).join(' ')} cm\n${operators}\nQ`
  const content = mark === undefined ? drawn : `/P <</MCID ${mark}>> BDC\n${drawn}\nEMC`
  target.node.addContentStream(output.context.register(output.context.flateStream(content)))
}
