import { PDFDocument, type PDFEmbeddedPage } from '@cantoo/pdf-lib'
import {
  type Affine,
  type ArrangedSheet,
  invertAffine,
  joinAffine,
  type LaidPart,
  type PdfPaper,
  seenToPdf,
  type WorksheetPage,
} from '@hand-back/core'
import { drawOver, type Heading, Originals, PdfPainter, writeOutline } from '../pdf/index.ts'

/**
 * Lays pages of a PDF, or parts of them, on sheets: each is drawn through a window, as it is, vectors and text. `pages`: what
 * its pages are of, in order. Links and tags do not come along: it is for paper.
 */
export async function layOnSheets(
  bytes: Uint8Array,
  title: string,
  pages: readonly { readonly page: WorksheetPage }[],
  sheets: readonly ArrangedSheet[],
): Promise<Uint8Array> {
  const source = await PDFDocument.load(bytes)
  const output = await PDFDocument.create()
  output.setTitle(title)
  const painter = new PdfPainter(output, new Originals(new Map()))
  const forms = new Map<number, PDFEmbeddedPage>()
  const chapters: Heading[] = []
  for (const { width, height, parts, drawn, chapter } of sheets) {
    const target = output.addPage([width, height])
    const operators = [await painter.operators(target, drawn)]
    for (const part of parts) {
      let form = forms.get(part.page)
      if (!form) {
        form = await formOf(output, source, part.page, pages[part.page]!.page)
        forms.set(part.page, form)
      }
      const name = target.node.newXObject('Part', form.ref)
      operators.push(through(part, seenOn(pages[part.page]!.page), String(name)))
    }
    drawOver(output, target, [1, 0, 0, -1, 0, height], operators.join('\n'), { deflated: true })
    if (chapter !== undefined) chapters.push({ title: chapter, page: target, below: [] })
  }
  writeOutline(output, chapters)
  return output.save()
}

/** How a place seen on a page becomes one of its PDF page. */
const seenOn = (page: WorksheetPage): Affine =>
  page.paper.kind === 'pdf' && page.paperBox === undefined
    ? seenToPdf(page.paper)
    : [1, 0, 0, -1, 0, page.height]

/** A page as a form that can be drawn again and again, as far as it is seen. */
function formOf(
  output: PDFDocument,
  source: PDFDocument,
  index: number,
  page: WorksheetPage,
): Promise<PDFEmbeddedPage> {
  const [left, bottom, right, top] =
    page.paper.kind === 'pdf' && page.paperBox === undefined
      ? (page.paper as PdfPaper).box
      : ([0, 0, page.width, page.height] as const)
  return output.embedPage(source.getPage(index), { left, bottom, right, top }, [1, 0, 0, 1, 0, 0])
}

/** Draws a part of a form in its box. */
function through({ part, box }: LaidPart, toPdf: Affine, form: string): string {
  const [sx, sy] = [box.width / part.width, box.height / part.height]
  const place: Affine = [sx, 0, 0, sy, box.x - part.x * sx, box.y - part.y * sy]
  const map = joinAffine(place, invertAffine(toPdf)).map((number) => number.toFixed(6))
  const window = [box.x, box.y, box.width, box.height].map((number) => number.toFixed(2))
  return `q ${window.join(' ')} re W n\n${map.join(' ')} cm\n${form} Do\nQ`
}
