import { z } from 'zod'
import { madeId } from '../page/items.ts'
import { box } from './box.ts'
import { answerKey } from './key.ts'
import { type WorksheetPage, worksheetPage } from './page.ts'

/** A question: what of the pages belongs to it, what it is called, and the most marks there are for it. */
export const question = z.object({
  id: madeId,
  label: z.string().max(40),
  fullMarks: z.number().min(0).max(1000),
  areas: z
    .array(z.object({ page: madeId, ...box.shape }))
    .min(1)
    .max(50),
})
export type Question = z.infer<typeof question>

/** A set of students that pages and items can be marked for, such as one of three levels. */
export const studentSet = z.object({ id: madeId, name: z.string().trim().min(1).max(60) })
export type StudentSet = z.infer<typeof studentSet>

export const MOST_PAGES = 500

/** Everything of a worksheet but its title: pages, and what only the teacher sees. */
export const sheet = z.object({
  pages: z
    .array(worksheetPage)
    .min(1, 'A worksheet keeps at least one page.')
    .max(MOST_PAGES, `A worksheet has at most ${MOST_PAGES} pages.`),
  questions: z.array(question).max(500),
  /** The key of an answer place, by the place's id. */
  keys: z.record(madeId, answerKey),
  sets: z.array(studentSet).max(30),
})
export type Sheet = z.infer<typeof sheet>

/**
 * The sheet without what points to nothing: areas on pages that are gone, keys of places that are gone,
 * marks for sets that are gone.
 */
export function tidySheet(of: Sheet): Sheet {
  const pages = new Set(of.pages.map(({ id }) => id))
  const sets = new Set(of.sets.map(({ id }) => id))
  const known = <T extends { sets?: string[] | undefined }>(each: T): T => {
    if (!each.sets) return each
    const left = each.sets.filter((id) => sets.has(id))
    if (left.length === each.sets.length) return each
    const { sets: _gone, ...rest } = each
    return left.length > 0 ? ({ ...rest, sets: left } as T) : (rest as T)
  }
  const items = new Set<string>()
  for (const page of of.pages) for (const { id } of page.printed) items.add(id)
  return {
    ...of,
    pages: of.pages.map((page) => known({ ...page, printed: page.printed.map(known) })),
    questions: of.questions.flatMap((each) => {
      const areas = each.areas.filter(({ page }) => pages.has(page))
      return areas.length > 0 ? [{ ...each, areas }] : []
    }),
    keys: Object.fromEntries(Object.entries(of.keys).filter(([id]) => items.has(id))),
  }
}

/** A sheet of pages with nothing else to it. */
export function bareSheet(pages: readonly WorksheetPage[]): Sheet {
  return { pages: [...pages], questions: [], keys: {}, sets: [] }
}

/** The label of a new question: the number after the highest in use. */
export function nextLabel(questions: readonly Question[]): string {
  const numbers = questions.map(({ label }) => Number.parseInt(label, 10)).filter(Number.isFinite)
  return String(Math.max(0, ...numbers) + 1)
}
