import { answerId } from '../answers/answers.ts'
import { boundsOfItem } from '../holding/pick.ts'
import type { Bounds } from '../ink/points.ts'
import type { Item } from '../kinds/items.ts'
import type { Mark } from '../kinds/mark.ts'
import type { Overall } from '../kinds/overall.ts'
import type { Reply } from '../kinds/reply.ts'
import type { VoiceNote } from '../kinds/voice.ts'
import { inSight, type Page, placedOn } from '../log/apply.ts'
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
  /** Where it lies on the page, in points; nothing: it is about the whole work. */
  readonly box: Box | undefined
  readonly question: string | undefined
  /** The marks of the question, at its first piece. */
  readonly mark: Mark | undefined
  /** What is typed in it. */
  readonly words: string
  /** What is spoken in it. */
  readonly voices: readonly VoiceNote[]
}

type Asked = Pick<Question, 'id' | 'label' | 'areas'>

/**
 * The feedback of one round in the order in which a student steps through it: page by page, down the page by its
 * questions, and what is about none at its height; at the end what is about the whole work. `pages`: those of the copy,
 * in order; `asSeen`: what of each item is seen, where not all of it is.
 */
export function feedbackSteps(
  pages: readonly { readonly id: string }[],
  pageOf: (id: string) => Page,
  questions: readonly Asked[],
  round: number,
  asSeen: (item: Item) => readonly Item[] = (item) => [item],
): FeedbackStep[] {
  const placed = pages.map(({ id }) => ({ id, own: feedbackOn(pageOf(id), round).flatMap(asSeen) }))
  return [
    ...placed.flatMap(({ id, own }) => stepsOn(id, own, questions)),
    ...placed.flatMap(({ id, own }) => own.filter(isReached).map((mark) => aboutAll(id, mark, mark))),
    ...placed.flatMap(({ id, own }) => own.filter(isOverall).map((item) => aboutAll(id, item))),
  ]
}

const feedbackOn = (page: Page, round: number): Item[] =>
  inSight(page).flatMap((each) => (each.layer === 'feedback' && each.round === round ? [each.item] : []))

/** What a criterion of the rubric was given. */
const isReached = (item: Item): item is Mark => item.kind === 'mark' && item.level !== undefined
const isOverall = (item: Item): item is Overall => item.kind === 'overall' && item.words !== ''

/** A step to what is about the whole work: a criterion, or words. */
const aboutAll = (page: string, item: Mark | Overall, mark?: Mark): FeedbackStep => ({
  id: item.id,
  page,
  box: undefined,
  question: mark?.question,
  mark,
  words:
    item.kind === 'overall' ? item.words : [item.level!.name, item.level!.words].filter(Boolean).join(': '),
  voices: [],
})

type LyingStep = FeedbackStep & { readonly box: Box }

function stepsOn(page: string, items: readonly Item[], questions: readonly Asked[]): FeedbackStep[] {
  const marks = items.filter((item) => item.kind === 'mark').filter(({ level }) => !level)
  const lying = items.filter(({ kind }) => kind !== 'mark' && kind !== 'overall')
  const pieces = lyingTogether(lying).map((piece) => ({
    ...piece,
    question: questionOf(questions, page, piece.bounds)?.id,
  }))
  const steps = pieces.map(
    ({ items, bounds, question, words }): LyingStep => ({
      id: items[0]!.id,
      page,
      box: boxOfBounds(bounds),
      question,
      mark: undefined,
      words,
      voices: items.filter((item) => item.kind === 'voice'),
    }),
  )
  const alone = marks
    .filter(({ question }) => !pieces.some((piece) => piece.question === question))
    .map(
      (mark): LyingStep => ({
        id: mark.id,
        page,
        box: boxOfBounds(areaOf(mark, page, questions)),
        question: mark.question,
        mark: undefined,
        words: '',
        voices: [],
      }),
    )
  const topOf = (step: LyingStep) =>
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
      return [{ reply, question: questionAbout(item, id, questions) }]
    })
  })
}

function questionAbout(item: Item, page: string, questions: readonly Asked[]): string | undefined {
  if (item.kind === 'mark') return item.question
  if (item.kind === 'overall') return undefined
  return questionOf(questions, page, boundsOfItem(item))?.id
}
