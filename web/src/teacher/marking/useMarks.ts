import {
  type CopyLog,
  type Criterion,
  criteriaOf,
  type FirstLook,
  firstLook,
  fullOf,
  giving,
  inSight,
  levelMark,
  type Mark,
  type MarkingWhole,
  markFor,
  markId,
  marksIn,
  pageOf,
  type Question,
  questionsOn,
  type ReplyValue,
  type Sum,
  saidToFeedback,
  sumOf,
  type WorksheetPage,
} from '@hand-back/core'
import { useMemo } from 'react'
import type { CopyStore } from '../../page/copy/copyStore.ts'

/** A question of the copy that is being marked. */
export interface MarkedQuestion {
  readonly question: Question
  /** In hundredths. */
  readonly full: number
  /** What it was given in this round. */
  readonly mark: Mark | undefined
  /** What it was given in an earlier round, where it has none in this. */
  readonly before: Mark | undefined
  readonly look: FirstLook | undefined
  /** What was said to feedback about it. */
  readonly replies: readonly ReplyValue[]
  /** Where its first area of the copy is: the index of the page, and how far down, in points. */
  readonly page: number
  readonly y: number
}

/** A criterion of the rubric, and the level that the copy reached in this round, or in an earlier one. */
export interface MarkedCriterion {
  readonly criterion: Criterion
  readonly mark: Mark | undefined
  readonly before: Mark | undefined
  readonly replies: readonly ReplyValue[]
}

export interface Marks {
  readonly questions: readonly MarkedQuestion[]
  readonly criteria: readonly MarkedCriterion[]
  readonly sum: Sum
  /** What was said to feedback about no question. */
  readonly replies: readonly ReplyValue[]
  /** Gives hundredths of a mark. */
  give(question: Question, given: number): void
  /** So much more, or less, than it was given in this round: as the copy has it now, never below nothing or above full. */
  giveMore(question: Question, by: number): void
  take(question: Question): void
  /** Says which level of the rubric was reached, from 0; nothing: none yet. */
  reach(criterion: Criterion, at: number | undefined): void
  /** Takes what the key says wherever nothing is given yet, as one act. */
  takeLooks(): void
}

/** The marks of a copy, and what gives and takes them: on the feedback layer, as the ink there. */
export function useMarks(
  copy: string,
  store: CopyStore,
  pages: readonly WorksheetPage[],
  log: CopyLog,
  round: number,
  marking: MarkingWhole | undefined,
): Marks {
  return useMemo(() => {
    const { questions = [], keys = {}, rubric = null } = marking ?? {}
    const given = marksIn(pages.map(({ id }) => pageOf(log, id)))
    const workOn = (page: string) =>
      inSight(pageOf(log, page)).flatMap(({ item, layer }) => (layer === 'work' ? [item] : []))
    const own = questionsOn(pages, questions)
    const said = saidToFeedback(pages, (id) => pageOf(log, id), own)
    const saidAbout = (question: string | undefined) =>
      said.flatMap((each) => (each.question === question ? [each.reply.reply] : []))
    const marked = own.map((question): MarkedQuestion => {
      const mark = given.get(question.id)
      const isNow = mark?.id === markId(copy, question.id, round)
      const page = pages.findIndex(({ id }) => question.areas.some((area) => area.page === id))
      return {
        question,
        full: mark?.full ?? fullOf(question),
        mark: isNow ? mark : undefined,
        before: isNow ? undefined : mark,
        replies: saidAbout(question.id),
        look: firstLook(question, copy, pages, workOn, keys),
        page,
        y: question.areas.find((area) => area.page === pages[page]!.id)!.y,
      }
    })
    const criteria = (rubric?.criteria ?? []).map((criterion): MarkedCriterion => {
      const mark = given.get(criterion.id)
      const isNow = mark?.id === markId(copy, criterion.id, round)
      return {
        criterion,
        mark: isNow ? mark : undefined,
        before: isNow ? undefined : mark,
        replies: saidAbout(criterion.id),
      }
    })
    const give = (question: Question, hundredths: number | null) => {
      const done = giving(copy, round, question, pages, hundredths, own, (page, id) => store.itemOn(page, id))
      if (done) store.act(done.page, done.act)
    }
    return {
      questions: marked,
      criteria,
      sum: sumOf([...own, ...criteriaOf(rubric)], given),
      replies: saidAbout(undefined),
      give,
      giveMore(question, by) {
        const made = markFor(copy, round, question, pages, 0)
        const there = made && store.itemOn(made.page, made.mark.id)
        if (there?.kind === 'mark') give(question, there.given + by)
        else if (by > 0) give(question, by)
      },
      take(question) {
        give(question, null)
      },
      reach(criterion, at) {
        const page = pages[0]!.id
        const id = markId(copy, criterion.id, round)
        const there = store.itemOn(page, id)
        if (at === undefined) {
          if (there) store.take(page, [id])
          return
        }
        const mark = levelMark(copy, round, rubric!, criterion, at)
        if (there?.kind !== 'mark') return store.add(page, [mark])
        const { given, level } = there
        store.act(page, {
          act: 'change',
          item: id,
          set: { given: mark.given, level: mark.level },
          was: { given, level },
        })
      },
      takeLooks: () =>
        store.together(() => {
          for (const { question, mark, look } of marked) if (!mark && look) give(question, look.suggested)
        }),
    }
  }, [copy, store, pages, log, round, marking])
}
