import { BlendMode, degrees, PDFDocument, type PDFPage, type PDFRef } from '@cantoo/pdf-lib'
import {
  type Affine,
  HIGHLIGHTER_OPACITY,
  type Item,
  type PdfPaper,
  pageMarks,
  paperPiece,
  type Stroke,
  seenToPdf,
  strokeOperators,
  type VoiceNote,
  type WorksheetPage,
} from '@hand-back/core'
import { drawOver, MarkWriter, measure, Originals } from '../../pdf/index.ts'

/** A page to be flattened: what is printed on it and what is to lie on it, from below. */
export interface FlatPage {
  readonly page: WorksheetPage
  readonly items: readonly Item[]
}

export interface FlattenTask {
  readonly title: string
  /** The id of the copy. */
  readonly copy: string
  readonly pages: readonly FlatPage[]
  /** The bytes of every file shown (see `Originals`); photos by the name of their recording. */
  readonly files: ReadonlyMap<string, Uint8Array>
}

/**
 * Makes a PDF of pages with what lies on them. Original PDF pages stay as they are, vectors and text;
 * printed items, answers and strokes are drawn over them, placed by the page's own box, turn and unit.
 */
export async function flatten(task: FlattenTask): Promise<Uint8Array> {
  const output = await PDFDocument.create()
  output.setTitle(task.title)
  const originals = new Originals(task.files)
  const writer = new MarkWriter(output, originals)
  const copied = await copyOriginals(output, originals, task.pages)
  const see = output.context.register(
    output.context.obj({ Type: 'ExtGState', BM: BlendMode.Multiply, ca: HIGHLIGHTER_OPACITY }),
  )
  for (const { page, items } of task.pages) {
    const original = copied.get(page)
    const target = original ? output.addPage(original) : output.addPage([page.width, page.height])
    const map: Affine = original ? seenToPdf(page.paper as PdfPaper) : [1, 0, 0, -1, 0, page.height]
    const paper = original ? undefined : paperPiece(page)
    const marks = [...(paper ? [paper] : []), ...pageMarks(page, items, task.copy, measure)]
    const printed = await writer.operators(target, marks)
    drawOver(output, target, map, `${printed}\n${inkOperators(target, items, see)}`)
  }
  return output.save()
}

/** Only a page that a PDF fills is that PDF's page; any other is a new one that shows it. */
function isOriginal({ paper, paperBox }: WorksheetPage): boolean {
  return paper.kind === 'pdf' && paperBox === undefined
}

/** Copies all pages of one PDF at once: fonts and pictures that they share are then written once. */
async function copyOriginals(
  output: PDFDocument,
  originals: Originals,
  pages: readonly FlatPage[],
): Promise<Map<WorksheetPage, PDFPage>> {
  const byFile = new Map<string, WorksheetPage[]>()
  for (const { page } of pages) {
    if (!isOriginal(page)) continue
    const { file } = page.paper as PdfPaper
    byFile.set(file, [...(byFile.get(file) ?? []), page])
  }
  const copied = new Map<WorksheetPage, PDFPage>()
  for (const [file, of] of byFile) {
    const numbers = of.map(({ paper }) => (paper as PdfPaper).number - 1)
    const made = await output.copyPages(await originals.document(file), numbers)
    for (const [index, page] of of.entries()) {
      made[index]!.setRotation(degrees((page.paper as PdfPaper).turn))
      copied.set(page, made[index]!)
    }
  }
  return copied
}

function inkOperators(target: PDFPage, items: readonly Item[], see: PDFRef): string {
  const strokes = items.filter((item): item is Stroke => item.kind === 'stroke')
  const voices = items.filter((item): item is VoiceNote => item.kind === 'voice')
  const seeName = target.node.newExtGState('HandBackSee', see)
  return [
    ...strokes
      .filter(({ nib }) => nib === 'highlighter')
      .map((stroke) => `q ${seeName} gs\n${strokeOperators(stroke)}\nQ`),
    ...strokes.filter(({ nib }) => nib !== 'highlighter').map(strokeOperators),
    ...voices.map(voiceOperators),
  ].join('\n')
}

/** A voice note on paper: three bars in a round-cornered tag, so that a reader knows there is something to hear. */
function voiceOperators({ x, y }: VoiceNote): string {
  const bars = [6, 14, 9].map(
    (height, index) => `${x + 7 + index * 6} ${y + 11 - height / 2} 3 ${height} re f`,
  )
  return [
    `0.97 0.96 0.94 rg 0.12 0.17 0.23 RG 0.8 w ${x} ${y} 29 22 re B`,
    '0.12 0.17 0.23 rg',
    ...bars,
  ].join('\n')
}
