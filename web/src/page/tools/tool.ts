import type { InkPoint, Point } from '@hand-back/core'
import type { LucideIcon } from 'lucide-react'

/** What a tool can do with the page under it. All places are points of the page. */
export interface Hand {
  beginWet(at: InkPoint): void
  extendWet(points: readonly InkPoint[], foreseen: readonly InkPoint[]): void
  /** The wet stroke's points; it is gone from sight. */
  takeWet(): readonly InkPoint[]
  /** Makes ink of points. */
  keep(points: readonly InkPoint[]): void
  /** Rubs out what the eraser meets on its way. */
  rub(points: readonly InkPoint[]): void
  /** Takes away what was rubbed. */
  takeRubbed(): void
  /** Shows it again. */
  restoreRubbed(): void
  /** Shows how large the eraser is, and what it would take, where it rests over the page; nothing: it is gone. */
  showRubbing(at: Point | undefined): void
  /** Shows the way of a loop or box so far; none: nothing more. */
  showWay(way: readonly InkPoint[]): void
  /** Picks up what a loop or box holds, or what lies under a tap. */
  pickUp(way: readonly InkPoint[]): void
  /** Puts a thing where the way says how large it is, or where a tap was. */
  put(way: readonly InkPoint[]): void
  /** Fills what lies around a place. */
  fill(at: Point): void
  /** Puts a sign of feedback where the way goes. */
  sign(way: readonly InkPoint[]): void
}

/** How a tool can be set to work: by one of a few ways, offered when it is pressed while in hand. */
export interface Ways {
  /** What of the tools in hand (useTools) says which way. */
  readonly setting: 'eraser' | 'boxes'
  readonly legend: string
  readonly options: readonly { readonly value: string; readonly words: string; readonly icon: LucideIcon }[]
}

/**
 * Turns a pointer's way into something on the page. A new tool is one such object in a file of its own
 * and one line in `TOOLS`: strip, keys, cursor and pointers take it from there.
 */
export interface Tool {
  /** On the strip, with a drawing of its own or those of its ways; left out: it is taken in hand in another way. */
  readonly label?: string
  readonly icon?: LucideIcon
  readonly ways?: Ways
  /** The key that takes it in hand, in words, and under which heading those are told. */
  readonly key?: { readonly key: string; readonly words: string; readonly under: 'Pens' | 'Picking up' }
  /** As CSS has it. */
  readonly cursor: string
  /** It makes ink: a trembling mouse is steadied, a flat pen may lean. */
  readonly writes?: true
  /** It means something by a tap; so does a finger that else only moves the page. */
  readonly taps?: true
  /** The way is shown and meant as a box; `boxes`: what the person chose. */
  isBoxed?(boxes: boolean): boolean
  down(hand: Hand, at: InkPoint): void
  move(hand: Hand, points: readonly InkPoint[], foreseen: readonly InkPoint[]): void
  up(hand: Hand): void
  cancel(hand: Hand): void
  /** A mouse or pen rests over the page without writing; nothing: it has left. */
  hover?(hand: Hand, at: Point | undefined): void
}

/** The four functions of a tool that goes a way and then does something with it. */
export function wayfarer(
  arrive: (hand: Hand, way: readonly InkPoint[]) => void,
): Pick<Tool, 'taps' | 'down' | 'move' | 'up' | 'cancel'> {
  let way: InkPoint[] = []
  return {
    taps: true,
    down: (_hand, at) => {
      way = [at]
    },
    move: (hand, points) => {
      way.push(...points)
      hand.showWay(way)
    },
    up: (hand) => {
      hand.showWay([])
      arrive(hand, way)
    },
    cancel: (hand) => hand.showWay([]),
  }
}
