import type { Tool } from './tool.ts'

/** Writes with the swatch in hand. */
export const pen: Tool = {
  cursor: 'crosshair',
  writes: true,
  down: (hand, at) => hand.beginWet(at),
  move: (hand, points, foreseen) => hand.extendWet(points, foreseen),
  up: (hand) => hand.keep(hand.takeWet()),
  cancel: (hand) => void hand.takeWet(),
}
