import { sentenceOf } from '../api/ask.ts'

interface How {
  duration?: number
  action?: { label: string; onClick: () => void }
}

type Show = (sentence: string, how?: How) => void

/** Said before there is anything that shows it. */
const waiting: (readonly [sentence: string, how: How | undefined])[] = []
let show: Show | undefined
let wanted = () => {}

/** Tells `listener` when something is said that nothing shows yet. */
export function onWanted(listener: () => void): void {
  wanted = listener
  if (waiting.length > 0) listener()
}

/** From now on sentences are shown by `by`, those first that were said before. */
export function showNotices(by: Show): void {
  show = by
  for (const [sentence, how] of waiting.splice(0)) show(sentence, how)
}

function say(sentence: string, how?: How): void {
  if (show) show(sentence, how)
  else {
    waiting.push([sentence, how])
    wanted()
  }
}

/** Says a sentence, and lets it go by itself. */
export function saySentence(sentence: string): void {
  say(sentence)
}

/** Says that something could not be done. */
export function sayProblem(error: unknown): void {
  say(sentenceOf(error))
}

/** Says something that must be read: it stays until it is closed. */
export function sayLasting(sentence: string): void {
  say(sentence, { duration: Number.POSITIVE_INFINITY, action: { label: 'Got it', onClick: () => {} } })
}

/** Says that something is ready, with what can be done with it, long enough to come back to it. */
export function sayReady(sentence: string, label: string, act: () => void): void {
  say(sentence, { duration: 20_000, action: { label, onClick: act } })
}

/** Says what was done, with a way to undo it. */
export function sayDone(sentence: string, undo?: () => void): void {
  say(sentence, undo && { action: { label: 'Undo', onClick: undo } })
}
