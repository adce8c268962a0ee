import { z } from 'zod'
import { madeId } from '../ink/stroke.ts'
import { plainText } from '../words/plainText.ts'

/** What is right for a typed box: any of `answers`, judged as leniently as the teacher says. */
export const typedKey = z.object({
  kind: z.literal('typed'),
  answers: z.array(plainText().max(500)).max(50),
  ignoreCase: z.boolean(),
  ignoreAccents: z.boolean(),
  ignoreSpaces: z.boolean(),
})
/** What of an answer place is right. Only the teacher sees it. */
export const answerKey = z.discriminatedUnion('kind', [
  typedKey,
  z.object({ kind: z.literal('choice'), options: z.array(madeId).max(30) }),
  z.object({ kind: z.literal('cards'), cards: z.array(madeId).max(200) }),
])
export type TypedKey = z.infer<typeof typedKey>
export type AnswerKey = z.infer<typeof answerKey>

/** A key that accepts what people mean: case and surplus spaces do not count, accents do. */
export const lenientKey = (answers: string[]): TypedKey => ({
  kind: 'typed',
  answers,
  ignoreCase: true,
  ignoreAccents: false,
  ignoreSpaces: true,
})

/**
 * Whether what was typed is right by a key. Numbers that are equal in value are equal (1/2, 0.5, 2/4,
 * 0,5, 50 %), with the same unit behind them, if one stands there; anything else is compared as text.
 *
 * Laws: every answer of a key is right by it; right does not depend on spaces around; leniency never
 * makes a right answer wrong.
 */
export function isRight(typed: string, key: TypedKey): boolean {
  const said = sameAs(typed, key)
  return said !== '' && key.answers.some((answer) => sameAs(answer, key) === said)
}

/**
 * The same text for everything that a key takes for the same answer: of numbers their value and unit, of anything
 * else its letters as far as they count. Empty for nothing typed. What is equal by this is an equivalence.
 */
export function sameAs(typed: string, key: Omit<TypedKey, 'answers'>): string {
  // Spaces in a row say no more than one, and a pattern over thousands of them would take seconds.
  const said = typed.trim().replace(/\s+/g, ' ')
  const letters = folded(said, key)
  // A thousand may be written with a space in it.
  const number = readNumber(said) ?? readNumber(letters)
  if (!number) return letters
  const { up, down } = reduced(number.value)
  return `${up}/${down} ${folded(number.unit, key)}`
}

/** An exact ratio of whole numbers, `down` positive. */
interface Ratio {
  readonly up: bigint
  readonly down: bigint
}

/** The same ratio in its smallest numbers. Method: Euclid. */
function reduced({ up, down }: Ratio): Ratio {
  let [a, b] = [up < 0n ? -up : up, down]
  while (b !== 0n) [a, b] = [b, a % b]
  return { up: up / a, down: down / a }
}

/** More letters than this are no number that anybody writes, and would take long to compare. */
const LONGEST_NUMBER = 200

const NUMBER =
  /^([+−-]?)\s*(?:(\d+)\s+)?(\d+(?:[.,]\d+)?)(?:\s*\/\s*(\d+(?:[.,]\d+)?))?\s*(%?)\s*([\p{L}°€$£][\p{L}°²³/]*)?$/u

/**
 * Reads a number as people write it: a decimal point or comma, a fraction, a mixed number (1 1/2), a
 * percentage, and a unit of letters behind it. Exact: nothing is rounded.
 */
export function readNumber(text: string): { value: Ratio; unit: string } | undefined {
  const said = text.trim().replace(/\s+/g, ' ')
  if (said.length > LONGEST_NUMBER) return undefined
  const found = NUMBER.exec(said)
  if (!found) return undefined
  const [, sign, whole, first, second, percent, unit = ''] = found
  if (whole !== undefined && second === undefined) return undefined
  let value = decimal(first!)
  if (second !== undefined) {
    const below = decimal(second)
    if (below.up === 0n) return undefined
    value = { up: value.up * below.down, down: value.down * below.up }
  }
  if (whole !== undefined) value = { up: value.up + BigInt(whole) * value.down, down: value.down }
  if (percent) value = { up: value.up, down: value.down * 100n }
  return { value: sign === '-' || sign === '−' ? { up: -value.up, down: value.down } : value, unit }
}

function decimal(written: string): Ratio {
  const [whole = '0', part = ''] = written.split(/[.,]/)
  return { up: BigInt(whole + part), down: 10n ** BigInt(part.length) }
}

function folded(text: string, key: Omit<TypedKey, 'answers'>): string {
  let same = text.trim().normalize('NFC')
  if (key.ignoreAccents) same = same.normalize('NFD').replace(/\p{M}/gu, '').normalize('NFC')
  if (key.ignoreCase) same = same.toLowerCase()
  return same.replace(/\s+/g, key.ignoreSpaces ? '' : ' ')
}
