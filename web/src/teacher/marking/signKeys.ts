import type { SignForm } from '@hand-back/core'

/** What each sign is called, and the key that puts it down. */
export const SIGN_WORDS: Readonly<Record<SignForm, { readonly words: string; readonly key: string }>> = {
  tick: { words: 'Tick', key: 't' },
  half: { words: 'Half', key: 'h' },
  cross: { words: 'Cross', key: 'x' },
  question: { words: 'Question mark', key: 'q' },
  wave: { words: 'Wavy line', key: 'w' },
  'see me': { words: 'See me', key: 's' },
}

const KEYS = new Map(Object.entries(SIGN_WORDS).map(([form, { key }]) => [key, form as SignForm]))

/** The sign that a key puts down. */
export const signOfKey = (key: string): SignForm | undefined => KEYS.get(key)
export const SIGN_KEYS = [...KEYS.keys()]
/** Their names in the order of their keys. */
export const SIGN_NAMES = Object.values(SIGN_WORDS)
  .map(({ words }) => words.toLowerCase())
  .join(', ')
