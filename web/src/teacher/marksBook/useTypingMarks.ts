import {
  CALLS,
  type CopyRow,
  fullOf,
  type HandoutWhole,
  type MarksByQuestion,
  type OnPage,
  type PageEvent,
  type Person,
  plainThroughout,
  type Question,
  type SignedEvent,
} from '@hand-back/core'
import { useEffect, useMemo, useRef, useState } from 'react'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { outboxOf } from '../../page/device/personOutbox.ts'
import { sayProblem, saySentence } from '../../ui/notices.ts'
import { typedMark } from './markActs.ts'
import { keyOf, nowKept, stillTyped, type TypedMarks, withTyped } from './typedMarks.ts'

/** Marks that were typed: whose, for what, how many (hundredths; null: none). */
export interface Typed {
  readonly row: CopyRow
  readonly question: Question
  readonly given: number | null
}

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
  const [typed, setTyped] = useState<TypedMarks>(new Map())
  const done = useRef<Typed[][]>([])
  const [canUndo, setCanUndo] = useState(false)
  const ofCopy = useMemo(() => withTyped(told, typed), [told, typed])
  // What school has is as it tells.
  // biome-ignore lint/correctness/useExhaustiveDependencies: each time that it tells
  useEffect(() => setTyped(stillTyped), [told])
  useEffect(
    () =>
      outboxOf(person.id).onFates((_copy, fates) => {
        const kept = new Set(fates.flatMap(({ id, fate }) => (fate === 'kept' ? [id] : [])))
        setTyped((before) => nowKept(before, kept))
        const wrong = fates.find(({ fate }) => fate === 'wrong')
        if (!wrong || !('why' in wrong)) return
        saySentence(wrong.why)
        setTyped(new Map())
        void refresh(CALLS.marksByQuestion, { handout: handout.id })
      }),
    [person.id, handout.id],
  )
  /** Gives marks, and says what takes them back; what cannot be given is said, and ends it. */
  const give = async (all: readonly Typed[]): Promise<Typed[]> => {
    const back: Typed[] = []
    const onPaper = new Set(all.flatMap(({ row }) => (row.state === 'waiting' ? [row.id] : [])))
    const paper = onPaper.size > 0
    try {
      for (const { row, question, given } of all) {
        const own = ofCopy.get(row.id)
        const act = own && typedMark(told, row, own, question, questions, given)
        if (!own || !act) continue
        if (onPaper.delete(row.id)) await ask(CALLS.takeIn, { copy: row.id })
        const event = madeNow(act, person.id, row.round)
        const full = fullOf(question)
        const mark =
          given === null ? null : { question: question.id, given, full, round: row.round, page: act.page }
        setTyped((some) =>
          new Map(some).set(keyOf(row.id, question.id), { mark, event: event.id, kept: false }),
        )
        await outboxOf(person.id).put(row.id, event)
        const was = own.marks.find((each) => each.question === question.id && each.round === row.round)
        back.push({ row: { ...row, state: 'handed in' }, question, given: was?.given ?? null })
      }
    } catch (error) {
      sayProblem(error)
    }
    if (paper) void refresh(CALLS.handout, { handout: handout.id })
    return back
  }
  const remember = (back: Typed[] | undefined) => {
    if (back && back.length > 0) done.current.push(back)
    setCanUndo(done.current.length > 0)
  }
  return {
    ofCopy,
    canUndo,
    async type(all: readonly Typed[]): Promise<void> {
      remember(await give(all))
    },
    async undo(): Promise<void> {
      const last = done.current.pop()
      remember(undefined)
      if (last) await give([...last].reverse())
    },
  }
}

/** Something that was just done to a copy, in its round. */
function madeNow({ page, act }: OnPage, author: string, round: number): SignedEvent {
  const made = { id: crypto.randomUUID(), page, layer: 'feedback', madeAt: Date.now(), ...act }
  return { ...plainThroughout(made as PageEvent), author, round }
}
