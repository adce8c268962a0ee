import {
  CALLS,
  type CopyRow,
  fullOf,
  type HandoutWhole,
  type MarksByQuestion,
  type PageEvent,
  type Person,
  plainThroughout,
  type Question,
  type QuestionMark,
} from '@hand-back/core'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { outboxOf } from '../../page/device/personOutbox.ts'
import { sayProblem, saySentence } from '../../ui/notices.ts'
import { typedMark } from './markActs.ts'
import type { CopyMarks } from './useMarksByQuestion.ts'

/** Marks that were typed: whose, for what, how many (hundredths; null: none). */
export interface Typed {
  readonly row: CopyRow
  readonly question: Question
  readonly given: number | null
}

const keyOf = (copy: string, question: string) => `${copy} ${question}`

/**
 * Marks typed into the marks book of a hand-out: they become marks on the copies, by way of this device, and are shown at
 * once. What nobody has opened yet was done on paper: it counts as handed in when it is given marks.
 */
export function useTypingMarks(
  handout: HandoutWhole,
  told: MarksByQuestion,
  questions: readonly Question[],
  person: Person,
) {
  const [typed, setTyped] = useState<ReadonlyMap<string, QuestionMark | null>>(new Map())
  const done = useRef<Typed[][]>([])
  const [canUndo, setCanUndo] = useState(false)
  const ofCopy = useMemo(() => withTyped(told, typed), [told, typed])
  // What school tells like that by now is typed no more.
  useEffect(() => setTyped((before) => stillTyped(told, before)), [told])
  useEffect(
    () =>
      outboxOf(person.id).onFates((_copy, fates) => {
        const wrong = fates.find(({ fate }) => fate === 'wrong')
        if (!wrong || !('why' in wrong)) return
        saySentence(wrong.why)
        setTyped(new Map())
        void refresh(CALLS.marksByQuestion, { handout: handout.id })
      }),
    [person.id, handout.id],
  )
  const give = useCallback(
    async (all: readonly Typed[]): Promise<Typed[]> => {
      const before: Typed[] = []
      const onPaper = new Set(all.flatMap(({ row }) => (row.state === 'waiting' ? [row.id] : [])))
      const paper = onPaper.size > 0
      for (const { row, question, given } of all) {
        const own = ofCopy.get(row.id)
        const act = own && typedMark(told, row, own, question, questions, given)
        if (!own || !act) continue
        if (onPaper.delete(row.id)) await ask(CALLS.takeIn, { copy: row.id })
        const made = {
          id: crypto.randomUUID(),
          page: act.page,
          layer: 'feedback',
          madeAt: Date.now(),
          ...act.act,
        }
        const event = { ...plainThroughout(made as PageEvent), author: person.id, round: row.round }
        await outboxOf(person.id).put(row.id, event)
        const was = own.marks.find((mark) => mark.question === question.id && mark.round === row.round)
        before.push({ row: { ...row, state: 'handed in' }, question, given: was?.given ?? null })
        const now =
          given === null
            ? null
            : { question: question.id, given, full: fullOf(question), round: row.round, page: act.page }
        setTyped((some) => new Map(some).set(keyOf(row.id, question.id), now))
      }
      if (paper) void refresh(CALLS.handout, { handout: handout.id })
      return before
    },
    [told, ofCopy, questions, person.id, handout.id],
  )
  return {
    ofCopy,
    canUndo,
    async type(all: readonly Typed[]): Promise<void> {
      try {
        const before = await give(all)
        if (before.length > 0) done.current.push(before)
        setCanUndo(done.current.length > 0)
      } catch (error) {
        sayProblem(error)
      }
    },
    async undo(): Promise<void> {
      const last = done.current.pop()
      setCanUndo(done.current.length > 0)
      if (last) await give([...last].reverse()).catch(sayProblem)
    },
  }
}

/** The marks of every copy as told, with what was typed since in its place. */
function withTyped(
  { copies }: MarksByQuestion,
  typed: ReadonlyMap<string, QuestionMark | null>,
): ReadonlyMap<string, CopyMarks> {
  return new Map(
    copies.map((own) => {
      const changed = own.asked.filter((question) => typed.has(keyOf(own.copy, question)))
      if (changed.length === 0) return [own.copy, own]
      const marks = [
        ...own.marks.filter(({ question }) => !changed.includes(question)),
        ...changed.flatMap((question) => typed.get(keyOf(own.copy, question)) ?? []),
      ]
      return [own.copy, { ...own, marks }]
    }),
  )
}

function stillTyped(
  { copies }: MarksByQuestion,
  typed: ReadonlyMap<string, QuestionMark | null>,
): ReadonlyMap<string, QuestionMark | null> {
  if (typed.size === 0) return typed
  const told = new Map(
    copies.flatMap(({ copy, marks }) => marks.map((mark) => [keyOf(copy, mark.question), mark])),
  )
  const left = [...typed].filter(([key, mark]) => told.get(key)?.given !== mark?.given)
  return left.length === typed.size ? typed : new Map(left)
}
