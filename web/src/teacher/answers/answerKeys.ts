import type { SignForm } from '@hand-back/core'
import type { KeyGroup } from '../../page/keys/keyActs.ts'
import { SIGN_KEYS, SIGN_NAMES, signOfKey } from '../marking/signKeys.ts'

interface AnswerKeysDo {
  /** To the strip so many further on; nothing where one is at none. */
  onGo: (by: 1 | -1) => void
  /** Into the heap of this number, from 1; 0: out of its heap. */
  onHeap: (number: number) => unknown
  onMarks: () => unknown
  onFull: () => unknown
  onKey: () => unknown
  onSign: (form: SignForm) => unknown
  onRemark: () => unknown
  onOpen: () => unknown
  onChoose: () => unknown
  onQuestion: (by: 1 | -1) => void
  onUndo: () => void
  onRedo: () => void
}

const DIGITS = ['0', '1', '2', '3', '4', '5', '6', '7', '8', '9']

/** Going through the answers by keys. `?` lists these very keys. */
export const answerKeys = (on: AnswerKeysDo): KeyGroup => ({
  title: 'The answers',
  acts: [
    { keys: ['ArrowDown', 'ArrowRight'], words: 'next answer', run: () => on.onGo(1) },
    { keys: ['ArrowUp', 'ArrowLeft'], words: 'the answer before', run: () => on.onGo(-1) },
    {
      keys: DIGITS,
      told: '1 to 9',
      words: 'into this heap, or a new one; 0 takes it out',
      run: ({ key }: KeyboardEvent) => on.onHeap(Number(key)),
    },
    { keys: ['Enter', 'm'], words: 'marks: typed, Enter goes on to the next answer', run: on.onMarks },
    { keys: ['f'], words: 'full marks', run: on.onFull },
    { keys: ['k'], words: 'what the key says', run: on.onKey },
    {
      keys: SIGN_KEYS,
      told: SIGN_KEYS.map((key) => key.toUpperCase()).join(' '),
      words: `put down: ${SIGN_NAMES}`,
      run: ({ key }: KeyboardEvent) => on.onSign(signOfKey(key.toLowerCase())!),
    },
    { keys: ['r'], words: 'a remark: then its number', run: on.onRemark },
    { keys: ['o'], words: 'open the whole copy', run: on.onOpen },
    { keys: [' '], told: 'Space', words: 'choose it, to do something with several', run: on.onChoose },
    { keys: ['n'], words: 'next question', run: () => on.onQuestion(1) },
    { keys: ['b'], words: 'the question before', run: () => on.onQuestion(-1) },
    { keys: ['z'], control: true, words: 'undo', run: on.onUndo },
    { keys: ['y'], control: true, words: 'redo', run: on.onRedo },
  ],
})
