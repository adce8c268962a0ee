import { z } from 'zod'

/** What no program can keep: the letter of code 0, and halves of letters that stand alone (surrogates). */
// biome-ignore lint/suspicious/noControlCharactersInRegex: this very letter is looked for
const UNKEEPABLE = /[\u0000\p{Surrogate}]/u

/** Whether a text can be kept: PostgreSQL takes neither the letter of code 0 nor half letters (RFC 8259, 8.2). */
export const isPlain = (text: string): boolean => !UNKEEPABLE.test(text)

/**
 * A text as it can be kept: letters of code 0 left out, half letters shown as U+FFFD.
 * Laws: `isPlain(plain(t))`; what is plain comes back as it is.
 */
export function plain(text: string): string {
  if (isPlain(text)) return text
  // biome-ignore lint/suspicious/noControlCharactersInRegex: this very letter is left out
  return text.replace(/\u0000/g, '').replace(/\p{Surrogate}/gu, '\ufffd')
}

/** A text that people typed or pasted, as every schema takes it. */
export const plainText = () =>
  z
    .string()
    .refine(isPlain, 'This text has letters in it that cannot be kept. Type it instead of pasting it.')

type Tree = unknown

/** What is in `value`, with every text in it made plain; `value` itself when all of it is. */
export function plainThroughout<T>(value: T): T {
  return cleaned(value) as T
}

function cleaned(value: Tree): Tree {
  if (typeof value === 'string') return plain(value)
  if (Array.isArray(value)) return changedOnly(value, value.map(cleaned))
  if (typeof value !== 'object' || value === null) return value
  const entries = Object.entries(value)
  const after = entries.map(([key, each]) => [key, cleaned(each)] as const)
  return after.some(([, each], index) => each !== entries[index]![1]) ? Object.fromEntries(after) : value
}

const changedOnly = (before: readonly Tree[], after: readonly Tree[]) =>
  after.some((each, index) => each !== before[index]) ? after : before
