import type { z } from 'zod'
import type { Drawn, Measure } from '../draw/drawn.ts'
import type { Loop } from '../ink/loop.ts'
import type { Bounds, Point } from '../ink/points.ts'
import type { Similarity } from '../ink/similarity.ts'
import type { Box } from '../worksheet/box.ts'
import type { AnswerValue } from './answerValue.ts'
import type { ReachedLevel } from './reachedLevel.ts'
import type { ReplyValue } from './replyValue.ts'

/** What an act can change of an item (log/events.ts). */
export interface Change {
  readonly x?: number | undefined
  readonly y?: number | undefined
  readonly value?: AnswerValue | undefined
  readonly given?: number | undefined
  readonly level?: ReachedLevel | undefined
  readonly reply?: ReplyValue | undefined
  readonly words?: string | undefined
  readonly thing?: { readonly kind: string } | undefined
}

/** What an item names on the page that it lies on, where it names something. */
export interface Names {
  /** The printed item. */
  readonly printed: string
  /** What that item is: of this kind, or one that takes this value. */
  readonly kind?: string
  readonly value?: AnswerValue
}

/**
 * Everything that the house must know of one kind of thing that people put on a copy. A new kind is one
 * such table in a file of its own and one line in `ITEM_KINDS`.
 */
export interface ItemKind<Item> {
  readonly schema: z.ZodType<Item>
  /** There is one of it, whoever puts it down: the latest counts, and all who share the copy may change it. */
  readonly isShared?: boolean
  /** It lies on this layer and no other; left out: on any. */
  readonly onlyOn?: 'work' | 'feedback' | 'pins'
  /** The smallest upright rectangle around it; nothing: it has no place of its own. */
  bounds?(item: Item): Bounds
  /** What it looks like; left out: it is seen by what it changes. */
  drawn?(item: Item, measure: Measure): Drawn[]
  /** Among which it is drawn, from below: sheets of paper, what was given at places, things, ink, and signs over everything. */
  readonly level?: Level
  /** How hands take hold of it; left out: it cannot be picked up. */
  readonly held?: Held<Item>
  /** Laid elsewhere; left out: it stays. A move that would make it too small, large or far to be seen leaves it. */
  moved?(item: Item, by: Similarity): Item
  recoloured?(item: Item, colour: string): Item
  /** As an act changes it; left out: nothing can. */
  changed?(item: Item, set: Change): Item
  /** The change that makes it what it is: the opposite of `changed`. */
  asChange?(item: Item): Change
  /** The attachments that it shows, those that it plays, and those that lie behind it, by name. */
  pictures?(item: Item): string[]
  sounds?(item: Item): string[]
  keeps?(item: Item): string[]
  /** The printed item that it belongs to. */
  names?(item: Item): Names
  /** Whether it counts as an answer at a place: given there, or lying over it. */
  touches?(item: Item, place: Box & { readonly id: string }): boolean
}

export type Level = 'scan' | 'given' | 'thing' | 'ink' | 'sign'

export interface Held<Item> {
  /** Whether a loop around it picks it up. */
  inLoop(item: Item, loop: Loop): boolean
  /** Whether it lies at a place, `reach` points around. */
  isAt(item: Item, at: Point, reach: number): boolean
}
