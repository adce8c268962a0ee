import type { PDFDocument, PDFPage } from '@cantoo/pdf-lib'
import type { Affine } from '@hand-back/core'

/** Draws operators over what a page has; `map` brings their points (y down) to the page's own. */
export function drawOver(output: PDFDocument, target: PDFPage, map: Affine, operators: string): void {
  // Wraps what is there in q … Q, so that its transformation and colours end where ours begin.
  target.node.normalize()
  const content = `q\n${map.map((number) => number.toFixed(5)).join(' ')} cm\n${operators}\nQ`
  target.node.addContentStream(output.context.register(output.context.flateStream(content)))
}
