import type { SaidOfClass } from '../contract/marksBook.ts'
import { perCentOf, type Reached, shareReached } from './reached.ts'

/** Something that several students lack: little reached in a question, a remark that they got, a heap that they lie in. */
export interface Lack {
  readonly id: string
  readonly from: 'question' | 'remark' | 'heap'
  readonly label: string
  /** What more there is to say of it. */
  readonly detail: string
  readonly copies: readonly string[]
  /** The share of a question's marks that the class reached, from 0 to 1. */
  readonly reached?: number
}

/** Who reached less than this share of a question's marks lacks what it asks for. */
export const LACKS_BELOW = 0.5

/** What a copy was given, by question. */
export interface MarksOfCopy {
  readonly copy: string
  readonly marks: ReadonlyMap<string, Reached>
}

/**
 * What the students of a hand-out lack, what most lack first. Of each question: the copies that reached less than
 * `LACKS_BELOW` of it; of each remark and each named heap: the copies that have it. What nobody lacks is left out.
 */
export function lacksOf(
  questions: readonly { readonly id: string; readonly label: string }[],
  marked: readonly MarksOfCopy[],
  { remarks, heaps }: SaidOfClass,
): Lack[] {
  const labels = new Map(questions.map(({ id, label }) => [id, label]))
  const ofQuestions = questions.map(({ id, label }): Lack => {
    const all = marked.flatMap(({ copy, marks }) => {
      const each = marks.get(id)
      return each && each.full > 0 ? [{ copy, ...each }] : []
    })
    const share = shareReached(all)
    return {
      id: `question ${id}`,
      from: 'question',
      label: `Question ${label}`,
      detail: share === undefined ? '' : `the class reached ${perCentOf(share)} %`,
      copies: all.filter(({ given, full }) => given < full * LACKS_BELOW).map(({ copy }) => copy),
      ...(share === undefined ? {} : { reached: share }),
    }
  })
  const ofRemarks = remarks.map(
    ({ name, words, copies }, at): Lack => ({
      id: `remark ${at} ${name}`,
      from: 'remark',
      label: name,
      detail: words === name ? '' : words,
      copies,
    }),
  )
  const ofHeaps = heaps.flatMap(({ question, name, copies }, at): Lack[] =>
    labels.has(question)
      ? [
          {
            id: `heap ${at} ${name}`,
            from: 'heap',
            label: name,
            detail: `heap of question ${labels.get(question)}`,
            copies,
          },
        ]
      : [],
  )
  return [...ofQuestions, ...ofRemarks, ...ofHeaps]
    .filter(({ copies }) => copies.length > 0)
    .sort((a, b) => b.copies.length - a.copies.length || a.label.localeCompare(b.label))
}

/**
 * The copies that lack all of these. Law: they are among the copies of each of them; of nothing, none.
 */
export function lackAll(lacks: readonly Lack[]): string[] {
  const [first, ...others] = lacks
  return (first?.copies ?? []).filter((copy) => others.every(({ copies }) => copies.includes(copy)))
}

/** The copies that lack at least one of these. */
export const lackAny = (lacks: readonly Lack[]): string[] => [
  ...new Set(lacks.flatMap(({ copies }) => copies)),
]
