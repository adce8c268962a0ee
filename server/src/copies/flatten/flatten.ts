import { BlendMode, PDFDocument, type PDFPage, type PDFRef } from '@cantoo/pdf-lib'
import {
  HIGHLIGHTER_OPACITY,
  type Item,
  type PdfPaper,
  type Stroke,
  seenToPdf,
  strokeOperators,
  type VoiceNote,
  type WorksheetPage,
} from '@hand-back/core'

/** A page to be flattened: its paper and what is to lie on it, from below. */
export interface FlatPage {
  readonly page: WorksheetPage
  readonly items: readonly Item[]
}

export interface FlattenTask {
  readonly title: string
  readonly pages: readonly FlatPage[]
  /** The bytes of every paper file by SHA-256: PDFs as they are; pictures as PNG or upright JPEG. */
  readonly files: ReadonlyMap<string, Uint8Array>
}

/**
 * Makes a PDF of pages with what lies on them. The original pages stay as they are, vectors and text;
 * strokes are filled paths over them, placed by the page's own box, turn and unit.
 */
export async function flatten(task: FlattenTask): Promise<Uint8Array> {
  const output = await PDFDocument.create()
  output.setTitle(task.title)
  const originals = await copyOriginals(output, task)
  const see = output.context.register(
    output.context.obj({ Type: 'ExtGState', BM: BlendMode.Multiply, ca: HIGHLIGHTER_OPACITY }),
  )
  for (const { page, items } of task.pages) {
    const target = originals.get(page) ?? (await picturePage(output, page, task.files))
    if (originals.has(page)) output.addPage(target)
    drawItems(output, target, page, items, see)
  }
  return output.save()
}

/** Copies all pages of one PDF at once: fonts and pictures that they share are then written once. */
async function copyOriginals(output: PDFDocument, task: FlattenTask): Promise<Map<WorksheetPage, PDFPage>> {
  const copied = new Map<WorksheetPage, PDFPage>()
  for (const [file, pages] of byFile(task.pages)) {
    const papers = pages.filter(({ page }) => page.paper.kind === 'pdf')
    if (papers.length === 0) continue
    const source = await PDFDocument.load(task.files.get(file)!, { updateMetadata: false })
    const numbers = papers.map(({ page }) => (page.paper as PdfPaper).number - 1)
    const made = await output.copyPages(source, numbers)
    for (const [index, { page }] of papers.entries()) copied.set(page, made[index]!)
  }
  return copied
}

async function picturePage(
  output: PDFDocument,
  page: WorksheetPage,
  files: ReadonlyMap<string, Uint8Array>,
): Promise<PDFPage> {
  const bytes = files.get(page.paper.file)!
  const picture = bytes[0] === 0x89 ? await output.embedPng(bytes) : await output.embedJpg(bytes)
  const target = output.addPage([page.width, page.height])
  target.drawImage(picture, { x: 0, y: 0, width: page.width, height: page.height })
  return target
}

function drawItems(
  output: PDFDocument,
  target: PDFPage,
  page: WorksheetPage,
  items: readonly Item[],
  see: PDFRef,
): void {
  if (items.length === 0) return
  const strokes = items.filter((item): item is Stroke => item.kind === 'stroke')
  const voices = items.filter((item): item is VoiceNote => item.kind === 'voice')
  const map = page.paper.kind === 'pdf' ? seenToPdf(page.paper) : [1, 0, 0, -1, 0, page.height]
  // Wraps what is there in q … Q, so that its transformation and colours end where ours begin.
  target.node.normalize()
  const seeName = target.node.newExtGState('HandBackSee', see)
  const operators = [
    'q',
    `${map.map((number) => number.toFixed(5)).join(' ')} cm`,
    ...strokes
      .filter(({ nib }) => nib === 'highlighter')
      .map((stroke) => `q ${seeName} gs\n${strokeOperators(stroke)}\nQ`),
    ...strokes.filter(({ nib }) => nib === 'pen').map(strokeOperators),
    ...voices.map(voiceOperators),
    'Q',
  ]
  target.node.addContentStream(output.context.register(output.context.flateStream(operators.join('\n'))))
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

function byFile(pages: readonly FlatPage[]): Map<string, FlatPage[]> {
  const groups = new Map<string, FlatPage[]>()
  for (const page of pages)
    groups.set(page.page.paper.file, [...(groups.get(page.page.paper.file) ?? []), page])
  return groups
}
