import type { SignForm } from '@hand-back/core'
import type { KeyGroup } from '../../page/keys/keyActs.ts'
import { SIGN_KEYS, SIGN_NAMES, signOfKey } from './signKeys.ts'

interface PileActs {
  onNext: () => void
  onBefore: () => void
  onReviewed: () => void
  /** To the first question without marks. */
  toFirst: () => void
  onRemark: () => void
  /** Plays what is spoken on the page; … */
  onHear: () => void
  /** … goes on to the next copy, and plays what is spoken there. */
  onHearNext: () => void
  /** Speaks, ends what is spoken, keeps it. */
  onSpeak: () => void
  /** Puts a sign where one is. */
  onSign: (form: SignForm) => void
}

/** Going through the pile by keys. `?` lists these very keys. */
export const pileKeys = ({
  onNext,
  onBefore,
  onReviewed,
  toFirst,
  onRemark,
  onHear,
  onHearNext,
  onSpeak,
  onSign,
}: PileActs): KeyGroup => ({
  title: 'The pile',
  acts: [
    { keys: ['n'], words: 'next copy', run: onNext },
    { keys: ['b'], words: 'the copy before', run: onBefore },
    { keys: ['v'], words: 'reviewed, or not', run: onReviewed },
    {
      keys: ['m'],
      words: 'marks: the next question without; there F is full marks, K what the key says',
      run: toFirst,
    },
    { keys: ['l'], words: 'hear what is spoken on the page', run: onHear },
    { keys: ['l'], shift: true, words: 'next copy, and hear what is spoken there', run: onHearNext },
    { keys: ['a'], words: 'answer aloud; again to stop, again to keep', run: onSpeak },
    { keys: ['r'], words: 'a remark: then its number', run: onRemark },
    {
      keys: SIGN_KEYS,
      told: SIGN_KEYS.map((key) => key.toUpperCase()).join(' '),
      words: `put down: ${SIGN_NAMES}`,
      run: ({ key }: KeyboardEvent) => onSign(signOfKey(key.toLowerCase())!),
    },
  ],
})
