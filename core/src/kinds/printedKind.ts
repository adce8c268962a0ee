import type { z } from 'zod'
import type { Drawn, Measure } from '../draw/drawn.ts'
import type { NameOf } from '../worksheet/recipe.ts'
import type { AnswerValue } from './answerValue.ts'
import type { Lying } from './lying.ts'

/** The least that a box may be in points, so that a thing can be found again. */
export const LEAST = 4

/** How a box is changed by hand: by all corners and sides, by its corners in its own shape, or as words are, which fill it. */
export type Reshapes = 'freely' | 'in shape' | 'as words'

/**
 * Everything that the house must know of one kind of thing that teachers print on a page. A new kind is
 * one such table in a file of its own and one line in `PRINTED_KINDS`.
 */
export interface PrintedKind<Item> {
  readonly schema: z.ZodType<Item>
  /** It takes an answer: nobody may be left without having seen it. */
  readonly isAnswerPlace?: boolean
  readonly reshapes: Reshapes
  /** It can be turned: it has a `turn`, and no control of its own on the screen. */
  readonly turns?: boolean
  /** A new one in a box; `newId` makes ids for its parts. */
  blank(lying: Lying, newId: () => string): Item
  /** What it looks like, from below; `value`: what was answered there, where that changes how it is drawn. */
  drawn(item: Item, measure: Measure, value?: AnswerValue): Drawn[]
  /** Whether such a value can be an answer to it; left out: none is. */
  takes?(value: AnswerValue): boolean
  /** What an answer adds to it. */
  answered?(item: Item, value: AnswerValue | undefined, measure: Measure): Drawn[]
  /** On the screen a control of its own shows the answer. */
  readonly isTypedInto?: boolean
  /** People move it: it is drawn where it lies, not where it was printed. */
  isLoose?(item: Item): boolean
  /** As high as what it says needs, for its width. */
  fitted?(item: Item, measure: Measure): Item
  /** What of it grows along with its box: `letters` gives the size of letters by the old one, in points. */
  grown?(item: Item, letters: (size: number) => number, factor: number): object
  /** What it says to those who hear the page; nothing for a control that says it by itself. */
  words?(item: Item): string
  /** What is read aloud of it, where that is more than its words. */
  readAloud?(item: Item, value: AnswerValue | undefined): string[]
  /** Nothing stands in it: let go like that, it would not be seen any more. */
  isEmpty?(item: Item): boolean
  /** The files that it shows, … */
  files?(item: Item): string[]
  /** … and those that it plays. */
  films?(item: Item): string[]
  /** As those get it who receive the page: it names files by what is made for them. */
  sent?(item: Item, nameOf: NameOf): { readonly kind: string }
}
