import { mm } from '@hand-back/core'
import type { KeyAct, KeyGroup } from '../keys/keyActs.ts'
import type { Picking } from '../picking/usePicking.ts'
import { pressedByKeys } from '../takesKeys.ts'
import type { Tools } from '../useTools.ts'
import { keysOfTools } from './pageKeys.ts'

/** How far an arrow key moves what is picked up, in points: alone, and with Shift. */
const STEP = { plain: mm(1), shift: mm(5) }
const ARROWS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** Picking up, and everything that is done to what is picked up. `putHere` puts the thing in hand where one looks. */
export function pickKeys(picking: Picking, tools: Tools, putHere: () => void): KeyGroup {
  const picked = picking.items.length > 0
  /** Means something only while something is picked up. */
  const toPicked = (act: KeyAct): KeyAct => ({ ...act, run: (event) => picked && act.run?.(event) })
  return {
    title: 'Picking up',
    acts: [
      ...keysOfTools(tools, 'Picking up'),
      { keys: [']'], words: 'pick the next thing', run: () => next(1) },
      { keys: ['['], words: 'pick the thing before', run: () => next(-1) },
      { keys: ['a'], control: true, words: 'pick all that is mine', run: () => picking.pickAll() },
      toPicked({ keys: Object.keys(ARROWS), words: 'move it; with Shift, further', run: move }),
      toPicked({ keys: ['>'], words: 'make it larger', run: () => picking.spin(1.1, 0) }),
      toPicked({ keys: ['<'], words: 'make it smaller', run: () => picking.spin(1 / 1.1, 0) }),
      toPicked({ keys: ['r'], words: 'turn it right', run: () => picking.spin(1, 15) }),
      toPicked({ keys: ['r'], shift: true, words: 'turn it left', run: () => picking.spin(1, -15) }),
      toPicked({ keys: ['d'], control: true, words: 'the same again', run: () => picking.duplicate() }),
      { keys: ['c'], control: true, words: 'copy' },
      { keys: ['x'], control: true, words: 'cut' },
      { keys: ['v'], control: true, words: 'paste words, a picture, or what was copied' },
      toPicked({
        keys: ['Delete', 'Backspace'],
        told: 'Delete',
        words: 'take it away',
        run: () => picking.take(),
      }),
      toPicked({ keys: ['Escape'], words: 'let go', run: () => picking.letGo() }),
      { keys: ['Enter'], words: 'put down what is in hand', run: put },
    ],
  }

  function next(by: 1 | -1) {
    return tools.tool === 'pick' && picking.pickNext(by)
  }

  function move({ key, shiftKey }: KeyboardEvent): void {
    const [x, y] = ARROWS[key]!
    const step = shiftKey ? STEP.shift : STEP.plain
    picking.nudge(x * step, y * step)
  }

  function put({ target }: KeyboardEvent) {
    return tools.tool === 'put' && !pressedByKeys(target) && putHere()
  }
}
