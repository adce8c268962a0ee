import {
  criteriaOf,
  fullOf,
  type MarkingWhole,
  type Question,
  type Reached,
  shareReached,
  tellsApart,
} from '@hand-back/core'
import type { CopyMarks } from './useMarksByQuestion.ts'

/** What the copies of a hand-out can be given marks for: its questions, then the criteria of its rubric. */
export interface AskedFor {
  readonly question: Question
  /** In hundredths. */
  readonly full: number
  readonly isCriterion: boolean
}

/** All that marks can be given for on some of these copies, in order: what has no area on any page is asked of nobody. */
export function askedFor(
  { questions, rubric }: Pick<MarkingWhole, 'questions' | 'rubric'>,
  copies: readonly Pick<CopyMarks, 'asked'>[],
): AskedFor[] {
  const there = new Set(copies.flatMap(({ asked }) => asked))
  const of = (question: Question, isCriterion: boolean) => ({ question, full: fullOf(question), isCriterion })
  return [
    ...questions.map((question) => of(question, false)),
    ...criteriaOf(rubric).map((criterion) => of(criterion, true)),
  ].filter(({ question }) => there.has(question.id))
}

/** The marks of a copy by question, of what it is asked. */
export const marksBy = (own: CopyMarks): ReadonlyMap<string, Reached> =>
  new Map(own.marks.map((mark) => [mark.question, mark]))

/** What all marks of a copy come to; nothing while it has none. `left`: so many of its questions have none. */
export function copyTotal(own: CopyMarks | undefined): (Reached & { left: number }) | undefined {
  if (!own || own.marks.length === 0) return undefined
  let [given, full] = [0, 0]
  for (const mark of own.marks) {
    given += mark.given
    full += mark.full
  }
  return { given, full, left: own.asked.length - own.marks.length }
}

/** How a question did in a class. Shares from 0 to 1. */
export interface QuestionFound {
  readonly asked: AskedFor
  /** The copies that have marks for it, with them. */
  readonly marked: readonly (Reached & { readonly copy: string })[]
  readonly reached: number | undefined
  readonly tells: number | undefined
}

/** How each question did among some copies. */
export function questionsFound(asked: readonly AskedFor[], copies: readonly CopyMarks[]): QuestionFound[] {
  const all = copies.map(marksBy)
  return asked.map((each) => {
    const { id } = each.question
    const marked = copies.flatMap(({ copy, marks }) => {
      const mark = marks.find(({ question }) => question === id)
      return mark ? [{ copy, given: mark.given, full: mark.full }] : []
    })
    return { asked: each, marked, reached: shareReached(marked), tells: tellsApart(id, all) }
  })
}
