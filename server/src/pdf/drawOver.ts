import type { PDFDocument, PDFPage } from '@cantoo/pdf-lib'
import type { Affine } from '@hand-back/core'

interface How {
  /** As which piece of marked content. */
  readonly mark?: number | undefined
  /** Whether it is deflated: not where the PDF is drawn at once and thrown away. */
  readonly deflated: boolean
}

/** Draws operators over what a page has; `map` brings their points (y down) to the page's own. */
export function drawOver(
  output: PDFDocument,
  target: PDFPage,
  map: Affine,
  operators: string,
  { mark, deflated }: How,
): void {
  // Wraps what is there in q … Q, so that its transformation and colours end where ours begin.
  target.node.normalize()
  const drawn = `q\n${map.map((number) => number.toFixed(5)).join(' ')} cm\n${operators}\nQ`
  const content = mark === undefined ? drawn : `/P <</MCID ${mark}>> BDC\n${drawn}\nEMC`
  const { context } = output
  target.node.addContentStream(
    context.register(deflated ? context.flateStream(content) : context.stream(content)),
  )
}
