import { toast } from 'sonner'
import { sentenceOf } from '../api/ask.ts'

/** Says a sentence, and lets it go by itself. */
export function saySentence(sentence: string): void {
  toast(sentence)
}

/** Says that something could not be done. */
export function sayProblem(error: unknown): void {
  saySentence(sentenceOf(error))
}

/** Says something that must be read: it stays until it is closed. */
export function sayLasting(sentence: string): void {
  toast(sentence, { duration: Number.POSITIVE_INFINITY, action: { label: 'Got it', onClick: () => {} } })
}

/** Says what was done, with a way to undo it. */
export function sayDone(sentence: string, undo?: () => void): void {
  toast(sentence, undo ? { action: { label: 'Undo', onClick: undo } } : undefined)
}
