import type { KeyAct, KeyGroup } from '../keys/keyActs.ts'
import type { Surface } from '../surface/Surface.ts'
import { ALL_TOOLS } from '../tools/index.ts'
import type { Tools } from '../tools/useTools.ts'

/** How far an arrow key moves the page, in CSS pixels. */
const STEP = 60
const WAYS: Record<string, readonly [number, number]> = {
  ArrowLeft: [STEP, 0],
  ArrowRight: [-STEP, 0],
  ArrowUp: [0, STEP],
  ArrowDown: [0, -STEP],
}

/** Turning, moving and zooming the page: what keys do to any page one looks at. */
export function viewKeys(surface: Surface | undefined, turn: (by: number) => void): KeyGroup {
  return {
    title: 'The page',
    acts: [
      { keys: ['PageDown'], words: 'next page', run: () => turn(1) },
      { keys: ['PageUp'], words: 'page before', run: () => turn(-1) },
      { keys: ['+', '='], told: '+', words: 'larger', run: () => surface?.zoomBy(1.25) },
      { keys: ['-'], words: 'smaller', run: () => surface?.zoomBy(0.8) },
      { keys: ['0'], words: 'all of the page', run: () => surface?.fit() },
      { keys: Object.keys(WAYS), words: 'move the page', run: ({ key }) => surface?.panBy(...WAYS[key]!) },
      { keys: [' '], told: 'Space, held', words: 'move the page with the mouse' },
    ],
  }
}

/** The keys that take tools in hand. */
export const keysOfTools = (tools: Tools, under: 'Pens' | 'Picking up'): KeyAct[] =>
  ALL_TOOLS.flatMap(([name, { key: of }]) =>
    of?.under === under ? [{ keys: [of.key], words: of.words, run: () => tools.setTool(name) }] : [],
  )

/** Pens, rubbing out and undo. */
export function toolKeys(tools: Tools, undo: () => void, redo: () => void, neat: () => void): KeyGroup {
  const count = Math.min(9, tools.swatches.length)
  const numbers = Array.from({ length: count }, (_each, index) => String(index + 1))
  return {
    title: 'Pens',
    acts: [
      {
        keys: numbers,
        told: count > 1 ? `1 to ${count}` : '1',
        words: 'write with this pen',
        run: ({ key }) => tools.pick(Number(key) - 1),
      },
      ...keysOfTools(tools, 'Pens'),
      { keys: ['g'], words: 'make neat what was drawn last', run: neat },
      { keys: ['z'], control: true, words: 'undo', anywhere: true, run: undo },
      { keys: ['y'], control: true, words: 'redo', anywhere: true, run: redo },
      { keys: ['z'], control: true, shift: true, anywhere: true, run: redo },
    ],
  }
}
