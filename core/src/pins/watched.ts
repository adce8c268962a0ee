import { z } from 'zod'
import { plainText } from '../words/plainText.ts'
import type { Pinned } from './pinsOn.ts'

/** The most words that a teacher watches for, and the most letters of one. */
export const MOST_WATCHED = 300
export const MOST_WATCHED_LETTERS = 60

/** The words that a teacher wants to be told of, as they typed them. */
export const watchedWords = z.array(plainText().trim().min(1).max(MOST_WATCHED_LETTERS)).max(MOST_WATCHED)

/**
 * Which of the watched words or phrases stand in a text, as whole words: capitals, accents, signs between words and
 * letters that are drawn out ("sooo") count for nothing. Law: what is found is found in any text around it.
 */
export function wordsFound(text: string, watched: readonly string[]): string[] {
  const there = ` ${folded(text)} `
  return watched.filter((word) => {
    const looked = folded(word)
    return looked !== '' && there.includes(` ${looked} `)
  })
}

/** How many of what was said at places of a page, answers too, have watched words in them. */
export function countWatched(pins: readonly Pinned[], watched: readonly string[]): number {
  const said = pins.flatMap(({ item, answers }) => [item, ...answers.map((answer) => answer.item)])
  return said.filter(({ words }) => wordsFound(words, watched).length > 0).length
}

/** Words in small letters without accents, one space between them; a letter said three times or more is said once. */
function folded(text: string): string {
  return text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .replace(/(\p{L})\1{2,}/gu, '$1')
    .trim()
}
