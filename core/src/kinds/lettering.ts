import { z } from 'zod'
import { plainText } from '../words/plainText.ts'

/** The longest text of one item, in letters. */
export const MOST_LETTERS = 20_000
export const words = plainText().max(MOST_LETTERS, `A text may have at most ${MOST_LETTERS} letters.`)
/** What a place asks for. */
export const label = plainText().max(300)
/** A picture in words, for those who do not see it. */
export const alt = plainText().max(500)

/** Faces: `reading` is made for people learning to read, `plain` the interface's, `book` a serif. */
export const face = z.enum(['reading', 'plain', 'book'])
export type Face = z.infer<typeof face>

const SMALLEST = 4
const LARGEST = 300
/** The height of printed letters in points. */
export const letterSize = z.number().min(SMALLEST).max(LARGEST)

/** Letters some times as high, kept within what can be printed. */
export const printedLetters =
  (factor: number) =>
  (size: number): number =>
    Math.min(LARGEST, Math.max(SMALLEST, size * factor))

/** The colours that things begin in: of what is printed, and of where answers go. */
export const INK = '#1e2b3a'
export const PLACE = '#1b6e68'
