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
import {
  type CleanPage,
  type Copied,
  carryLayers,
  carryLinks,
  drawOver,
  headingsOf,
  MarkWriter,
  measure,
  Originals,
  PageCleaner,
  writeOutline,
} from '../../pdf/index.ts'

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
  /** Which page of which file a paper was made of, by the paper's name: taken from there, what pages share is written once. */
  readonly origins?: ReadonlyMap<string, Origin>
}

export interface Origin {
  readonly file: string
  readonly number: number
}

/**
 * Makes a PDF of pages with what lies on them. Original PDF pages stay as they are, vectors and text,
 * with their links, layers and outline; printed items, answers and strokes are drawn over them, placed by
 * the page's own box, turn and unit. Nothing of a PDF comes along that is not seen on these pages.
 */
export async function flatten(task: FlattenTask): Promise<Uint8Array> {
  const output = await PDFDocument.create()
  output.setTitle(task.title)
  const originals = new Originals(task.files)
  const writer = new MarkWriter(output, originals)
  const copied = await copyOriginals(output, originals, task)
  const see = output.context.register(
    output.context.obj({ Type: 'ExtGState', BM: BlendMode.Multiply, ca: HIGHLIGHTER_OPACITY }),
  )
  for (const { page, items } of task.pages) {
    const original = copied.get(page)
    const target = output.addPage(original ?? [page.width, page.height])
    const map: Affine = original ? seenToPdf(page.paper as PdfPaper) : [1, 0, 0, -1, 0, page.height]
    const paper = original ? undefined : paperPiece(page)
    const marks = [...(paper ? [paper] : []), ...pageMarks(page, items, task.copy, measure)]
    const printed = await writer.operators(target, marks)
    drawOver(output, target, map, `${printed}\n${inkOperators(target, items, see)}`)
  }
  carryLayers(output)
  return output.save()
}

/** Only a page that a PDF fills is that PDF's page; any other is a new one that shows it. */
function isOriginal({ paper, paperBox }: WorksheetPage): boolean {
  return paper.kind === 'pdf' && paperBox === undefined
}

/** Copies the pages that PDFs fill, in order, leaving room for the others; pages of one PDF share their fonts and pictures. */
async function copyOriginals(
  output: PDFDocument,
  originals: Originals,
  { pages, origins }: FlattenTask,
): Promise<Map<WorksheetPage, PDFPage>> {
  const sources = new Map<
    string,
    { document: PDFDocument; cleaner: PageCleaner; copied: Map<number, PDFPage> }
  >()
  const made = new Map<WorksheetPage, CleanPage & { readonly copied: Copied }>()
  for (const { page } of pages) {
    if (!isOriginal(page)) continue
    const paper = page.paper as PdfPaper
    const { file, number } = origins?.get(paper.file) ?? paper
    let source = sources.get(file)
    if (!source) {
      const document = await originals.document(file)
      source = { document, cleaner: new PageCleaner(document), copied: new Map() }
      sources.set(file, source)
    }
    const clean = source.cleaner.copyFor(output, number, paper.box)
    clean.page.setRotation(degrees(paper.turn))
    source.copied.set(number, clean.page)
    made.set(page, { ...clean, copied: source.copied })
  }
  for (const { page, links, copied } of made.values()) carryLinks(output, page, links, copied)
  writeOutline(
    output,
    [...sources.values()].flatMap(({ document, copied }) => headingsOf(document, copied)),
  )
  return new Map([...made].map(([page, clean]) => [page, clean.page]))
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
