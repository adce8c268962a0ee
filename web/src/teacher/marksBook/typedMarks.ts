import type { MarksByQuestion, QuestionMark } from '@hand-back/core'
import type { CopyMarks } from './useMarksByQuestion.ts'

/** A mark that was typed on this device; null: it was taken away. */
export interface TypedMark {
  readonly mark: QuestionMark | null
  /** The id of what was done to the copy. */
  readonly event: string
  /** School has it: what it tells from now on is newer. */
  readonly kept: boolean
}

/** Marks that were typed, by copy and question (`keyOf`). */
export type TypedMarks = ReadonlyMap<string, TypedMark>

export const keyOf = (copy: string, question: string): string => `${copy} ${question}`

/** The marks of every copy as told, with what was typed since in its place. */
export function withTyped(
  { copies }: Pick<MarksByQuestion, 'copies'>,
  typed: TypedMarks,
): ReadonlyMap<string, CopyMarks> {
  return new Map(
    copies.map((own) => {
      const changed = own.asked.filter((question) => typed.has(keyOf(own.copy, question)))
      if (changed.length === 0) return [own.copy, own]
      const marks = [
        ...own.marks.filter(({ question }) => !changed.includes(question)),
        ...changed.flatMap((question) => typed.get(keyOf(own.copy, question))!.mark ?? []),
      ]
      return [own.copy, { ...own, marks }]
    }),
  )
}

/** What of what was typed school does not have yet: the rest is as it tells, also where a colleague was later. */
export function stillTyped(typed: TypedMarks): TypedMarks {
  const left = [...typed].filter(([, { kept }]) => !kept)
  return left.length === typed.size ? typed : new Map(left)
}

/** The same, with what school has by now. */
export function nowKept(typed: TypedMarks, events: ReadonlySet<string>): TypedMarks {
  if (![...typed.values()].some(({ event }) => events.has(event))) return typed
  return new Map(
    [...typed].map(([key, each]) => [key, events.has(each.event) ? { ...each, kept: true } : each]),
  )
}
