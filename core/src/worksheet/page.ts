import { z } from 'zod'
import { madeId } from '../ink/stroke.ts'
import { filesOf, filmsOf, MOST_PRINTED, printedItem } from '../kinds/printed.ts'
import { type Box, box } from './box.ts'
import { type Paper, paper } from './paper.ts'

/** One page of a worksheet: its size in points as it is seen, its paper, and what is printed on it from below. */
export const worksheetPage = z.object({
  id: madeId,
  width: z.number().positive().max(20_000),
  height: z.number().positive().max(20_000),
  paper,
  /** Where a PDF or picture lies on a page of another size; left out: it fills the page. */
  paperBox: box.optional(),
  printed: z.array(printedItem).max(MOST_PRINTED, `A page holds at most ${MOST_PRINTED} things.`).default([]),
  /** The sets of students that the page is for; left out: everyone. */
  sets: z.array(madeId).max(30).optional(),
})
export type WorksheetPage = z.infer<typeof worksheetPage>

/** The longest side of an A4 sheet, in points: what pens and letters are made for. */
const A4_LONG = 842
/** Pages between A6 and A2 are written on with the same pens. */
const ALIKE = { least: 0.49, most: 2.01 }

/**
 * How many times as large as on a sheet of A4 pens, letters and things begin on a page: 1 on everything
 * from a postcard to a poster, less on a label, more on a banner.
 */
export function timesA4({ width, height }: { readonly width: number; readonly height: number }): number {
  const times = Math.max(width, height) / A4_LONG
  return times >= ALIKE.least && times <= ALIKE.most ? 1 : times
}

/** Where the paper of a page lies on it. */
export function paperBoxOf(page: Pick<WorksheetPage, 'width' | 'height' | 'paperBox'>): Box {
  return page.paperBox ?? { x: 0, y: 0, width: page.width, height: page.height }
}

/** The file of a paper, where it has one. */
export function paperFile(of: Paper): string | undefined {
  return of.kind === 'ruled' ? undefined : of.file
}

/** Every file that pages name, each once: those that they show, and those that they play. */
export function filesOfPages(pages: readonly WorksheetPage[]): string[] {
  return [...new Set([...filesShown(pages), ...pages.flatMap(({ printed }) => filmsOf(printed))])]
}

/** Every file that pages need to be shown, each once. */
export function filesShown(pages: readonly WorksheetPage[]): string[] {
  const files = new Set<string>()
  for (const page of pages) {
    const file = paperFile(page.paper)
    if (file) files.add(file)
    for (const each of filesOf(page.printed)) files.add(each)
  }
  return [...files]
}
