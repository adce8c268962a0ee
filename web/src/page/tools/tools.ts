import type { InkPoint } from '@hand-back/core'

/** What a tool can do with the page under it. All places are points of the page. */
export interface Hand {
  beginWet(at: InkPoint): void
  extendWet(points: readonly InkPoint[], foreseen: readonly InkPoint[]): void
  /** The wet stroke's points; it is gone from sight. */
  takeWet(): readonly InkPoint[]
  /** Makes ink of points. */
  keep(points: readonly InkPoint[]): void
  /** Hides the strokes that the eraser meets on its way. */
  rub(points: readonly InkPoint[]): void
  /** Takes away what was rubbed. */
  takeRubbed(): void
  /** Shows it again. */
  restoreRubbed(): void
}

/** Turns a pointer's way into something on the page. A new tool is one object of this shape and one line below. */
export interface Tool {
  down(hand: Hand, at: InkPoint): void
  move(hand: Hand, points: readonly InkPoint[], foreseen: readonly InkPoint[]): void
  up(hand: Hand): void
  cancel(hand: Hand): void
}

const pen: Tool = {
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

export const TOOLS = { pen, eraser } as const satisfies Record<string, Tool>
export type ToolName = keyof typeof TOOLS
