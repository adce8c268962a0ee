import type { Point } from '@hand-back/core'
import type { Tool } from './tool.ts'

let at: Point | undefined

/** Fills what lies around a tap, to the lines that bound it. */
export const fill: Tool = {
  key: { key: 'f', words: 'fill an area', under: 'Pens' },
  cursor: 'cell',
  taps: true,
  down: (_hand, here) => {
    at = here
  },
  move: () => {},
  up: (hand) => at && hand.fill(at),
  cancel: () => {},
}
