import { answerId } from '../answers/answers.ts'
import { boundsOfItem } from '../holding/pick.ts'
import type { Bounds } from '../ink/points.ts'
import type { Mark } from '../kinds/mark.ts'
import type { Reply } from '../kinds/reply.ts'
import { inSight, type Page, type Placed, placedOn } from '../log/apply.ts'
import { type Box, boxOfBounds } from '../worksheet/box.ts'
import type { Question } from '../worksheet/sheet.ts'
import { questionOf } from './belongsTo.ts'
import { lyingTogether } from './lyingTogether.ts'

/** The id of the reply of a copy to a piece of feedback: always the same, on whichever device it is said. */
export const replyId = (copy: string, to: string): string => answerId(copy, to)

/** One piece of feedback that a student comes to: what lies together, with the marks of its question. */
export interface FeedbackStep {
  /** Of its first item: what a reply names. */
  readonly id: string
  readonly page: string
  /** Where it lies on the page, in points. */
  readonly box: Box
  readonly question: string | undefined
  /** The marks of the question, at its first piece. */
  readonly mark: Mark | undefined
  /** What is typed in it. */
  readonly words: string
}

type Asked = Pick<Question, 'id' | 'label' | 'areas'>

/**
 * The feedback of one round in the order in which a student steps through it: page by page, down the page by its
 * questions, and what is about none at its height. `pages`: those of the copy, in order.
 */
export function feedbackSteps(
  pages: readonly { readonly id: string }[],
  pageOf: (id: string) => Page,
  questions: readonly Asked[],
  round: number,
): FeedbackStep[] {
  return pages.flatMap(({ id }) => stepsOn(id, inSight(pageOf(id)), questions, round))
}

function stepsOn(page: string, placed: readonly Placed[], questions: readonly Asked[], round: number) {
  const own = placed.filter((each) => each.layer === 'feedback' && each.round === round)
  const items = own.map(({ item }) => item)
  const marks = items.filter((item) => item.kind === 'mark')
  const pieces = lyingTogether(items.filter((item) => item.kind !== 'mark')).map((piece) => ({
    ...piece,
    question: questionOf(questions, page, piece.bounds)?.id,
  }))
  const steps = pieces.map(
    ({ items: [first], bounds, question, words }): FeedbackStep => ({
      id: first!.id,
      page,
      box: boxOfBounds(bounds),
      question,
      mark: undefined,
      words,
    }),
  )
  const alone = marks
    .filter(({ question }) => !pieces.some((piece) => piece.question === question))
    .map(
      (mark): FeedbackStep => ({
        id: mark.id,
        page,
        box: boxOfBounds(areaOf(mark, page, questions)),
        question: mark.question,
        mark: undefined,
        words: '',
      }),
    )
  const topOf = (step: FeedbackStep) =>
    questions
      .find(({ id }) => id === step.question)
      ?.areas.reduce((top, area) => (area.page === page ? Math.min(top, area.y) : top), step.box.y) ??
    step.box.y
  const inOrder = [...steps, ...alone].sort(
    (a, b) => topOf(a) - topOf(b) || a.box.y - b.box.y || a.box.x - b.box.x,
  )
  return inOrder.map((step, index) => {
    const isFirst = inOrder.findIndex(({ question }) => question === step.question) === index
    return isFirst ? { ...step, mark: marks.find(({ question }) => question === step.question) } : step
  })
}

/** Marks alone are about the area of their question, or stand where they are written. */
function areaOf({ question, x, y }: Mark, page: string, questions: readonly Asked[]): Bounds {
  const area = questions.find(({ id }) => id === question)?.areas.find((each) => each.page === page)
  if (!area) return { x0: x, y0: y, x1: x + 40, y1: y + 16 }
  return { x0: area.x, y0: area.y, x1: area.x + area.width, y1: area.y + area.height }
}

/** What was said to each piece of feedback, by the item that it names. */
export function repliesIn(pages: Iterable<Page>): Map<string, Reply> {
  const replies = new Map<string, Reply>()
  for (const page of pages)
    for (const { item } of inSight(page)) if (item.kind === 'reply') replies.set(item.to, item)
  return replies
}

/** What was said to a piece of feedback, and the question that it is about. */
export interface Said {
  readonly reply: Reply
  readonly question: string | undefined
}

/** Everything that was said to feedback on the pages of a copy, where that feedback still is. */
export function saidToFeedback(
  pages: readonly { readonly id: string }[],
  pageOf: (id: string) => Page,
  questions: readonly Asked[],
): Said[] {
  return pages.flatMap(({ id }) => {
    const page = pageOf(id)
    return [...repliesIn([page]).values()].flatMap((reply): Said[] => {
      const about = placedOn(page, 'feedback', reply.to)
      if (!about || about.taken) return []
      const { item } = about
      const question =
        item.kind === 'mark' ? item.question : questionOf(questions, id, boundsOfItem(item))?.id
      return [{ reply, question }]
    })
  })
}
