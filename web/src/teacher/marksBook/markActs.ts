import {
  type CopyRow,
  giving,
  type Item,
  type MarksByQuestion,
  type OnPage,
  type Question,
  type QuestionMark,
} from '@hand-back/core'

/**
 * What gives a copy its marks for a question in the round that it is in, typed into the marks book: as `giving`, of what is
 * known there. null takes them away. Nothing where that changes nothing, or the copy does not have the question.
 */
export function typedMark(
  { pages }: Pick<MarksByQuestion, 'pages'>,
  row: Pick<CopyRow, 'id' | 'round'>,
  own: { readonly pages: readonly string[]; readonly marks: readonly QuestionMark[] },
  question: Question,
  questions: readonly Question[],
  given: number | null,
): OnPage | undefined {
  const now = own.marks.find((mark) => mark.question === question.id && mark.round === row.round)
  const there = now && ({ kind: 'mark', given: now.given } as Item)
  return giving(
    row.id,
    row.round,
    question,
    pages.filter(({ id }) => own.pages.includes(id)),
    given,
    questions,
    (page) => (page === now?.page ? there : undefined),
  )
}
