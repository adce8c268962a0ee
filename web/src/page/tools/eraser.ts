import { RubHereSign, RubWholeSign } from '../strip/signs.ts'
import type { Tool } from './tool.ts'

/** Rubs out ink. */
export const eraser: Tool = {
  label: 'Rub out',
  ways: {
    setting: 'eraser',
    legend: 'Rub out',
    options: [
      { value: 'whole', words: 'whole lines', icon: RubWholeSign },
      { value: 'exact', words: 'just here', icon: RubHereSign },
    ],
  },
  key: { key: 'e', words: 'rub out', under: 'Pens' },
  cursor: 'cell',
  down: (hand, at) => hand.rub([at]),
  move: (hand, points) => hand.rub(points),
  up: (hand) => hand.takeRubbed(),
  cancel: (hand) => hand.restoreRubbed(),
  hover: (hand, at) => hand.showRubbing(at),
}
