import { degrees, PDFDocument } from '@cantoo/pdf-lib'
import {
  type Affine,
  type ArrangedSheet,
  drawnCode,
  headed,
  type Item,
  NOBODYS,
  type PdfPaper,
  paperPiece,
  scene,
  seenToPdf,
  type WorksheetPage,
} from '@hand-back/core'
import {
  type CleanPage,
  carryLayers,
  carryLinks,
  carryTags,
  drawOver,
  freeMark,
  type Heading,
  headingsOf,
  isTagged,
  measure,
  Originals,
  PageCleaner,
  PdfPainter,
  writeOutline,
} from '../pdf/index.ts'
import { layOnSheets } from './layOnSheets.ts'

/** A page to be flattened: what is printed on it and what is to lie on it, from below. */
export interface FlatPage {
  readonly page: WorksheetPage
  readonly items: readonly Item[]
  /** The id of the copy that it is of; left out: nobody’s. */
  readonly copy?: string
  /** Words at its head. */
  readonly head?: string
  /** A code at its foot says which page of which copy it is. */
  readonly coded?: boolean
  /** What begins with it, for the outline. */
  readonly chapter?: string
}

export interface FlattenTask {
  readonly title: string
  readonly pages: readonly FlatPage[]
  /** The bytes of every file shown (see `Originals`); attachments by their own. */
  readonly files: ReadonlyMap<string, Uint8Array>
  /** Which page of which file a paper was made of, by the paper's name: taken from there, what pages share is written once. */
  readonly origins?: ReadonlyMap<string, Origin>
  /** Its pages, or parts of them, are laid on these sheets. */
  readonly sheets?: readonly ArrangedSheet[]
  /** Only a small picture is made of it. */
  readonly small?: boolean
}

export interface Origin {
  readonly file: string
  readonly number: number
}

/**
 * Makes a PDF of pages with what lies on them. Original PDF pages stay as they are, vectors and text,
 * with their links, layers, tags and outline; printed items, answers and strokes are drawn over them, placed by
 * the page's own box, turn and unit. Nothing of a PDF comes along that is not seen on these pages. Where chapters begin,
 * the outline leads to them. `tell` is told after each page how many are done.
 */
export async function flatten(
  task: FlattenTask,
  tell: (done: number) => void = () => {},
): Promise<Uint8Array> {
  const output = await PDFDocument.create()
  output.setTitle(task.title)
  const originals = new Originals(task.files)
  const writer = new PdfPainter(output, originals, task.small)
  const copied = await copyOriginals(output, originals, task)
  const chapters: Heading[] = []
  for (const [index, { page, items, copy = NOBODYS, head, coded, chapter }] of task.pages.entries()) {
    const original = copied.get(page)
    const target = output.addPage(original?.page ?? [page.width, page.height])
    const map: Affine = original ? seenToPdf(page.paper as PdfPaper) : [1, 0, 0, -1, 0, page.height]
    const paper = original ? undefined : paperPiece(page)
    const drawn = [
      ...(paper ? [paper] : []),
      ...scene(head ? headed(page, head, measure) : page, items, copy, measure),
      ...(coded ? drawnCode({ copy, page: page.id }, page) : []),
    ]
    const mark = original?.tagged ? freeMark(original) : undefined
    drawOver(output, target, map, await writer.operators(target, drawn), { mark, deflated: !task.small })
    if (chapter !== undefined) chapters.push({ title: chapter, page: target, below: [] })
    tell(index + 1)
  }
  if (chapters.length > 0) writeOutline(output, chapters)
  carryLayers(output)
  const bytes = await output.save()
  return task.sheets ? layOnSheets(bytes, task.title, task.pages, task.sheets) : bytes
}

/** Only a page that a PDF fills is that PDF's page; any other is a new one that shows it. */
function isOriginal({ paper, paperBox }: WorksheetPage): boolean {
  return paper.kind === 'pdf' && paperBox === undefined
}

/** A page of a PDF as it was copied. */
interface Original extends CleanPage {
  readonly tagged: boolean
}

/** What was taken of one PDF: its pages by their number there. */
interface Taken {
  readonly document: PDFDocument
  readonly cleaner: PageCleaner
  readonly pages: Map<number, Original>
}

/** Copies the pages that PDFs fill, in order, leaving room for the others; pages of one PDF share their fonts and pictures. */
async function copyOriginals(
  output: PDFDocument,
  originals: Originals,
  { pages, origins }: FlattenTask,
): Promise<Map<WorksheetPage, Original>> {
  const taken = new Map<string, Taken>()
  const made = new Map<WorksheetPage, Original>()
  const links: [Original, Taken][] = []
  for (const { page } of pages) {
    if (!isOriginal(page)) continue
    const paper = page.paper as PdfPaper
    const { file, number } = origins?.get(paper.file) ?? paper
    let from = taken.get(file)
    if (!from) {
      const document = await originals.document(file)
      from = { document, cleaner: new PageCleaner(document), pages: new Map() }
      taken.set(file, from)
    }
    const tagged = isTagged(from.document)
    const original = { ...from.cleaner.copyFor(output, number, paper.box, tagged), tagged }
    original.page.setRotation(degrees(paper.turn))
    from.pages.set(number, original)
    made.set(page, original)
    links.push([original, from])
  }
  for (const [{ page, links: leads }, { pages }] of links) carryLinks(output, page, leads, pages)
  const sources = [...taken.values()]
  if (!pages.some(({ chapter }) => chapter !== undefined))
    writeOutline(
      output,
      sources.flatMap(({ document, pages }) => headingsOf(document, pages)),
    )
  carryTags(output, sources)
  return made
}
