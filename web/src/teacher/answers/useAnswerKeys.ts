import { fullOf, type Heaps, type Person, type Question } from '@hand-back/core'
import { useState } from 'react'
import type { KeyGroup } from '../../page/keys/keyActs.ts'
import { useKeys } from '../../page/keys/useKeys.ts'
import { saySentence } from '../../ui/notices.ts'
import { type AnswerActs, NO_MORE_HEAPS } from './answerActs.ts'
import { answerKeys } from './answerKeys.ts'
import type { AnswerStore } from './answerStore.ts'
import type { StripFocus } from './stripFocus.ts'
import type { Strip } from './strips.ts'

interface AnswerKeysOn {
  readonly person: Person
  readonly focus: StripFocus
  readonly store: AnswerStore
  readonly acts: AnswerActs
  readonly heaps: Heaps
  readonly question: Question
  readonly strips: readonly Strip[]
  readonly chosen: ReadonlySet<string>
  readonly choose: (copy: string, chosen: boolean) => void
  readonly chooseNone: () => void
  readonly onRemark: () => void
  readonly onQuestion: (by: 1 | -1) => void
}

/** The answers by keys: each means the strip that has the focus, or all that are chosen where it is one of them. */
export function useAnswerKeys(on: AnswerKeysOn) {
  const { person, focus, store, acts, heaps, question, strips, chosen } = on
  const [listed, setListed] = useState(false)
  const here = () => strips.find(({ row }) => row.id === focus.copy)
  const inHand = (): Strip[] => {
    const at = here()
    if (!at) return []
    return chosen.has(at.row.id) ? strips.filter(({ row }) => chosen.has(row.id)) : [at]
  }
  const withHere = (does: (strip: Strip) => void) => () => {
    const strip = here()
    if (!strip) return false
    does(strip)
    return true
  }
  const toHeap = (number: number) => {
    const some = inHand()
    const [first] = some
    if (!first) return false
    const next = focus.after(focus.copy!)
    if (number === 0) acts.put(some, null)
    else if (number <= heaps.heaps.length) acts.put(some, heaps.heaps[number - 1]!.id)
    else if (acts.make(some, first.answered.words) === undefined) saySentence(NO_MORE_HEAPS)
    on.chooseNone()
    // Strips stand elsewhere once this is drawn.
    requestAnimationFrame(() => focus.to(next))
    return true
  }
  const keys: KeyGroup = answerKeys({
    onGo: (by) => focus.go(by),
    onHeap: toHeap,
    onMarks: withHere(({ row }) => focus.toMarks(row.id)),
    onFull: withHere(() => acts.give(inHand(), fullOf(question))),
    onKey: withHere((strip) => strip.look && acts.give([strip], strip.look.suggested)),
    onSign: (form) => withHere((strip) => acts.sign(strip, form))(),
    onRemark: withHere(({ row }) => {
      focus.last = row.id
      on.onRemark()
    }),
    onOpen: withHere(({ row }) => focus.open(row.id)),
    onChoose: withHere(({ row }) => on.choose(row.id, !chosen.has(row.id))),
    onQuestion: on.onQuestion,
    onUndo: () => store.undo(),
    onRedo: () => store.redo(),
  })
  useKeys(person, [
    keys,
    { title: 'Keys', acts: [{ keys: ['?'], words: 'these keys', run: () => setListed(true) }] },
  ])
  return { keys, listed, setListed }
}
