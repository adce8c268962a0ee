import {
  type Answered,
  answered,
  areasOn,
  type Box,
  type CopyRow,
  cutOf,
  type FirstLook,
  firstLook,
  type Item,
  type Mark,
  type MarkingWhole,
  markId,
  marksIn,
  type Question,
  type Stroke,
  type WorksheetPage,
} from '@hand-back/core'
import { feedbackOn, type OpenAnswer, workOn } from './answerStore.ts'

/** An area of a question as it is cut out of a copy: what is seen of which page. */
export interface StripPart {
  readonly page: WorksheetPage
  readonly area: Box
  readonly cut: Box
  /** What is to be seen in it: work and feedback, without the marks that stand beside it. */
  readonly items: readonly Item[]
}

/** A copy's answer to a question, as it stands among the others. */
export interface Strip {
  readonly row: CopyRow
  readonly answer: OpenAnswer
  readonly parts: readonly StripPart[]
  readonly answered: Answered
  /** Nothing was answered, and nothing put there. */
  readonly isEmpty: boolean
  /** Its handwriting; nothing where there is none, or something else lies beside it. */
  readonly ink: readonly Stroke[] | undefined
  /** What it was given in this round, and in an earlier one where it has none in this. */
  readonly mark: Mark | undefined
  readonly before: Mark | undefined
  readonly look: FirstLook | undefined
  /** It can be marked: its student has opened it. */
  readonly writes: boolean
}

/** The answer of a copy, read; nothing where the copy has none of the question's pages. `more` points are seen around each area. */
export function stripOf(
  row: CopyRow,
  answer: OpenAnswer,
  question: Question,
  keys: MarkingWhole['keys'],
  more: number,
): Strip | undefined {
  const areas = areasOn(question, answer.pages)
  if (areas.length === 0) return undefined
  const work = (page: string) => workOn(answer, page)
  const said = answered(grown(question, more), row.id, answer.pages, work, keys)
  const given = marksIn(answer.log.values()).get(question.id)
  const isNow = given?.id === markId(row.id, question.id, row.round)
  const ink = said.besides.filter((item): item is Stroke => item.kind === 'stroke')
  const onlyInk = ink.length > 0 && ink.length === said.besides.length && said.same === ''
  return {
    row,
    answer,
    parts: areas.map(({ page, area }) => {
      const items = [...work(page.id), ...feedbackOn(answer, page.id)].filter(({ kind }) => kind !== 'mark')
      return { page, area, cut: cutOf(area, items, page, more), items }
    }),
    answered: said,
    isEmpty: said.same === '' && said.besides.length === 0,
    ink: onlyInk ? ink : undefined,
    mark: isNow ? given : undefined,
    before: isNow ? undefined : given,
    look: firstLook(question, row.id, answer.pages, work, keys),
    writes: row.state !== 'waiting',
  }
}

/** Strips once read, kept as long as nothing of what they were read from changed: a class writes, one copy at a time. */
export class StripReader {
  #kept = new Map<string, { from: readonly unknown[]; strip: Strip | undefined }>()

  read(
    row: CopyRow,
    answer: OpenAnswer,
    question: Question,
    keys: MarkingWhole['keys'],
    more: number,
  ): Strip | undefined {
    const from = [row, answer, question, keys, more]
    const before = this.#kept.get(row.id)
    if (before?.from.every((each, at) => each === from[at])) return before.strip
    const strip = stripOf(row, answer, question, keys, more)
    this.#kept.set(row.id, { from, strip })
    return strip
  }
}

/** The question with its areas as much larger as is seen of them. */
const grown = ({ areas }: Question, by: number): Pick<Question, 'areas'> => ({
  areas: areas.map(({ x, y, width, height, ...on }) => ({
    ...on,
    ...{ x: x - by, y: y - by, width: width + 2 * by, height: height + 2 * by },
  })),
})
