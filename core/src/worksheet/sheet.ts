import { z } from 'zod'
import { madeId } from '../ink/stroke.ts'
import { MOST_PRINTED } from '../kinds/printed.ts'
import { plainText } from '../words/plainText.ts'
import { box } from './box.ts'
import { answerKey } from './key.ts'
import { type WorksheetPage, worksheetPage } from './page.ts'

/** A question: what of the pages belongs to it, what it is called, and the most marks there are for it. */
export const question = z.object({
  id: madeId,
  label: plainText().max(40),
  fullMarks: z.number().min(0).max(1000),
  areas: z
    .array(z.object({ page: madeId, ...box.shape }))
    .min(1)
    .max(50),
})
export type Question = z.infer<typeof question>

/** A set of students that pages and items can be marked for, such as one of three levels. */
export const studentSet = z.object({ id: madeId, name: plainText().trim().min(1).max(60) })
export type StudentSet = z.infer<typeof studentSet>

export const MOST_PAGES = 500
export const MOST_QUESTIONS = 500

/** Everything of a worksheet but its title: pages, and what only the teacher sees. */
export const sheet = z.object({
  pages: z
    .array(worksheetPage)
    .min(1, 'A worksheet keeps at least one page.')
    .max(MOST_PAGES, `A worksheet has at most ${MOST_PAGES} pages.`),
  questions: z.array(question).max(MOST_QUESTIONS),
  /** The key of an answer place, by the place's id. */
  keys: z.record(madeId, answerKey),
  sets: z.array(studentSet).max(30),
})
export type Sheet = z.infer<typeof sheet>

/** One sentence when the sheet has more pages, or a page more things, than can be handed out. */
export function tooMuch({ pages }: Sheet): string | undefined {
  if (pages.length > MOST_PAGES) return `A worksheet has at most ${MOST_PAGES} pages.`
  const full = pages.some(({ printed }) => printed.length > MOST_PRINTED)
  return full ? `A page holds at most ${MOST_PRINTED} things.` : undefined
}

/**
 * The sheet without what points to nothing: areas on pages that are gone, keys of places that are gone,
 * sets that are gone. What needs no tidying stays the very same object, so that what changed can be found
 * by identity.
 */
export function tidySheet(of: Sheet): Sheet {
  const pages = new Set(of.pages.map(({ id }) => id))
  const items = new Set(of.pages.flatMap(({ printed }) => printed.map(({ id }) => id)))
  const marked = known(new Set(of.sets.map(({ id }) => id)))
  const keys = Object.entries(of.keys)
  const keysLeft = keys.filter(([id]) => items.has(id))
  const tidy = {
    pages: eachSame(of.pages, (page) => {
      const printed = eachSame(page.printed, marked)
      return marked(printed === page.printed ? page : { ...page, printed })
    }),
    questions: eachSame(of.questions, (question) => {
      const areas = question.areas.filter(({ page }) => pages.has(page))
      return areas.length === question.areas.length ? question : { ...question, areas }
    }),
    keys: keysLeft.length === keys.length ? of.keys : Object.fromEntries(keysLeft),
    sets: of.sets,
  }
  if (tidy.questions.some(({ areas }) => areas.length === 0))
    tidy.questions = tidy.questions.filter(({ areas }) => areas.length > 0)
  return tidy
}

/** Takes sets that are not known from those that a page or an item is for. */
function known(sets: ReadonlySet<string>) {
  return <T extends { sets?: string[] | undefined }>(each: T): T => {
    if (!each.sets) return each
    const left = each.sets.filter((id) => sets.has(id))
    if (left.length === each.sets.length) return each
    const { sets: _gone, ...rest } = each
    return left.length > 0 ? ({ ...rest, sets: left } as T) : (rest as T)
  }
}

/** A list with each entry changed: the very same list when none did. */
function eachSame<T>(list: T[], to: (each: T) => T): T[] {
  const changed = list.map(to)
  return changed.every((each, index) => each === list[index]) ? list : changed
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
