import type { InkPoint } from '@hand-back/core'

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
  /** Shows the way of a loop or box so far; none: nothing more. */
  guide(way: readonly InkPoint[]): void
  /** Picks up what a loop or box holds, or what lies under a tap. */
  pickUp(way: readonly InkPoint[]): void
  /** Puts a thing where the way says how large it is, or where a tap was. */
  put(way: readonly InkPoint[]): void
}

/** Turns a pointer's way into something on the page. A new tool is one object of this shape and one line below. */
export interface Tool {
  /** A mouse is steadied. */
  readonly writes?: true
  /** It means something by a tap; so does a finger that else only moves the page. */
  readonly taps?: true
  down(hand: Hand, at: InkPoint): void
  move(hand: Hand, points: readonly InkPoint[], foreseen: readonly InkPoint[]): void
  up(hand: Hand): void
  cancel(hand: Hand): void
}

const pen: Tool = {
  writes: true,
  down: (hand, at) => hand.beginWet(at),
  move: (hand, points, foreseen) => hand.extendWet(points, foreseen),
  up: (hand) => hand.keep(hand.takeWet()),
  cancel: (hand) => void hand.takeWet(),
}

const eraser: Tool = {
  down: (hand, at) => hand.rub([at]),
  move: (hand, points) => hand.rub(points),
  up: (hand) => hand.takeRubbed(),
  cancel: (hand) => hand.restoreRubbed(),
}

/** A tool that goes a way and then does something with it. */
function wayfarer(arrive: (hand: Hand, way: readonly InkPoint[]) => void): Tool {
  let way: InkPoint[] = []
  return {
    taps: true,
    down: (_hand, at) => {
      way = [at]
    },
    move: (hand, points) => {
      way.push(...points)
      hand.guide(way)
    },
    up: (hand) => {
      hand.guide([])
      arrive(hand, way)
    },
    cancel: (hand) => hand.guide([]),
  }
}

const pick = wayfarer((hand, way) => hand.pickUp(way))
const put = wayfarer((hand, way) => hand.put(way))

export const TOOLS = { pen, eraser, pick, put } as const satisfies Record<string, Tool>
export type ToolName = keyof typeof TOOLS
