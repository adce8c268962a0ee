import { answerId } from '../answers/answers.ts'
import type { Mark } from '../kinds/mark.ts'
import { inSight, type Page, type Placed } from '../log/apply.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import type { Question } from '../worksheet/sheet.ts'

/**
 * The id of the mark for a question of a copy in a round: always the same, so that two teachers who mark at once
 * mark the same. What an earlier round was given stays as it was.
 */
export const markId = (copy: string, question: string, round: number): string =>
  answerId(answerId(copy, question), `00000000-0000-4000-8000-${String(round).padStart(12, '0')}`)

/** The full marks of a question, in hundredths. */
export const fullOf = ({ fullMarks }: Pick<Question, 'fullMarks'>): number => Math.round(fullMarks * 100)

/** The questions that a copy has: those with an area on one of its pages, in their order. */
export function questionsOn(pages: readonly { id: string }[], questions: readonly Question[]): Question[] {
  const there = new Set(pages.map(({ id }) => id))
  return questions.filter(({ areas }) => areas.some(({ page }) => there.has(page)))
}

/** A mark with the round in which it was given and the page that it lies on. */
export interface MarkGiven {
  readonly mark: Mark
  readonly round: number
  readonly page: Page
}

/** The marks of a copy by question: those of the latest round in which each was given, of what `mayBeSeen`. */
export function marksGivenIn(
  pages: Iterable<Page>,
  mayBeSeen: (placed: Placed) => boolean = () => true,
): Map<string, MarkGiven> {
  const latest = new Map<string, MarkGiven>()
  for (const page of pages)
    for (const placed of inSight(page)) {
      const { item, layer, round } = placed
      if (!mayBeSeen(placed)) continue
      if (item.kind !== 'mark' || layer !== 'feedback') continue
      const before = latest.get(item.question)
      if (!before || before.round <= round) latest.set(item.question, { mark: item, round, page })
    }
  return latest
}

/** The same, the marks alone. */
export const marksIn = (pages: Iterable<Page>, mayBeSeen?: (placed: Placed) => boolean): Map<string, Mark> =>
  new Map([...marksGivenIn(pages, mayBeSeen)].map(([question, { mark }]) => [question, mark]))

/** What the marks of a copy come to, in hundredths, and for how many of its questions none are given yet. */
export interface Sum {
  readonly given: number
  readonly full: number
  readonly left: number
}

/**
 * The sum over a copy's questions: exact, since hundredths are whole. What was given counts as it was given; a
 * question without marks counts with what it is worth now. Marks for what is no question any more do not count.
 */
export function sumOf(questions: readonly Question[], marks: ReadonlyMap<string, Mark>): Sum {
  let [given, full, left] = [0, 0, 0]
  for (const question of questions) {
    const mark = marks.get(question.id)
    given += mark?.given ?? 0
    full += mark?.full ?? fullOf(question)
    if (!mark) left++
  }
  return { given, full, left }
}

/** What the marks that were given come to, whatever was not marked. */
export function sumGiven(marks: ReadonlyMap<string, Mark>): Pick<Sum, 'given' | 'full'> {
  let [given, full] = [0, 0]
  for (const mark of marks.values()) {
    given += mark.given
    full += mark.full
  }
  return { given, full }
}

/** Given of full as a whole per cent, halves up; nothing where nothing can be given. */
export const perCent = ({ given, full }: Pick<Sum, 'given' | 'full'>): number | undefined =>
  full === 0 ? undefined : Math.floor((given * 200 + full) / (2 * full))

/** The room that marks take in the right margin of a page, in points. */
const ROOM = { width: 52, down: 2 }

/**
 * A mark of a question, in the right margin of the page, level with its first area that the copy has; at the right edge of
 * that area, where another of `others` lies beside it: else their marks would lie upon each other.
 */
export function markFor(
  copy: string,
  round: number,
  question: Question,
  pages: readonly Pick<WorksheetPage, 'id' | 'width'>[],
  given: number,
  others: readonly Pick<Question, 'id' | 'areas'>[] = [],
): { page: string; mark: Mark } | undefined {
  const full = fullOf(question)
  for (const area of question.areas) {
    const page = pages.find(({ id }) => id === area.page)
    if (!page) continue
    const right = hasNeighbour(question.id, area, others) ? area.x + area.width : page.width
    const x = Math.max(0, Math.min(page.width, right) - ROOM.width)
    const y = Math.max(0, area.y + ROOM.down)
    const { id, label } = question
    const mark: Mark = {
      id: markId(copy, id, round),
      kind: 'mark',
      question: id,
      label,
      given: Math.min(full, Math.max(0, given)),
      full,
      x,
      y,
    }
    return { page: page.id, mark }
  }
  return undefined
}

type Area = Question['areas'][number]

/** Whether another question lies to the right of an area, at its height. */
function hasNeighbour(
  question: string,
  area: Area,
  others: readonly Pick<Question, 'id' | 'areas'>[],
): boolean {
  return others.some(
    ({ id, areas }) =>
      id !== question &&
      areas.some(
        (other) =>
          other.page === area.page &&
          other.x >= area.x + area.width / 2 &&
          other.y < area.y + area.height &&
          area.y < other.y + other.height,
      ),
  )
}
