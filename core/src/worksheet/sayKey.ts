import type { PrintedItem } from '../kinds/printed.ts'
import type { AnswerKey } from './key.ts'

/** What is right at a place, in words: answers, the texts of options, what stands on cards. Empty: nothing is. */
export function sayKey(key: AnswerKey, place: PrintedItem, printed: readonly PrintedItem[]): string {
  if (key.kind === 'typed') return key.answers.filter((answer) => answer.trim() !== '').join(' or ')
  if (key.kind === 'choice') {
    return sayOptions(key.options, place.kind === 'choice' ? place.options : [])
  }
  return sayCards(key.cards, printed)
}

/** What stands on cards, in words. */
export const sayCards = (cards: readonly string[], printed: readonly PrintedItem[]): string =>
  printed
    .flatMap((item) => (item.kind === 'card' && cards.includes(item.id) ? [faceOf(item.face)] : []))
    .join(', ')

/** What was ticked of a choice, in words. */
export const sayOptions = (
  chosen: readonly string[],
  options: readonly { readonly id: string; readonly text: string }[],
): string =>
  options
    .filter(({ id }) => chosen.includes(id))
    .map(({ text }) => text || 'an option without words')
    .join(', ')

type Face = Extract<PrintedItem, { kind: 'card' }>['face']

const faceOf = (face: Face): string => {
  if (face.kind === 'text') return face.text || 'a card'
  return face.kind === 'formula' ? face.latex : face.alt || 'a picture'
}
