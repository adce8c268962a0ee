import { BoxSign, LoopSign } from '../strip/signs.ts'
import { type Tool, wayfarer } from './tool.ts'

/** Picks up what it goes round, or what lies under a tap. */
export const pick: Tool = {
  label: 'Pick up',
  ways: {
    setting: 'boxes',
    legend: 'Draw round things',
    options: [
      { value: 'loop', words: 'loop', icon: LoopSign },
      { value: 'box', words: 'box', icon: BoxSign },
    ],
  },
  key: { key: 'p', words: 'pick up', under: 'Picking up' },
  cursor: 'default',
  isBoxed: (boxes) => boxes,
  ...wayfarer((hand, way) => hand.pickUp(way)),
}
