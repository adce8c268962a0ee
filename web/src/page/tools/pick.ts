import { Lasso, SquareDashed } from 'lucide-react'
import { type Tool, wayfarer } from './tool.ts'

/** Picks up what it goes round, or what lies under a tap. */
export const pick: Tool = {
  label: 'Pick up',
  ways: {
    setting: 'boxes',
    legend: 'Draw round things',
    options: [
      { value: 'loop', words: 'loop', icon: Lasso },
      { value: 'box', words: 'box', icon: SquareDashed },
    ],
  },
  key: { key: 'p', words: 'pick up', under: 'Picking up' },
  cursor: 'default',
  isBoxed: (boxes) => boxes,
  ...wayfarer((hand, way) => hand.pickUp(way)),
}
