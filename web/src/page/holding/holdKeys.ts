import { mm } from '@hand-back/core'
import type { KeyAct } from '../keys/keyActs.ts'

/** What keys do to what is picked, on a worksheet being prepared and on a copy. */
export interface InHand {
  /** Something is picked that may be moved. */
  any(): boolean
  nudge(dx: number, dy: number): void
  /** Larger or smaller and turned about its own middle. */
  spin(factor: number, degrees: number): void
  duplicate(): void
  take(): void
}

/** How far an arrow key moves what is picked, in points: alone, with Shift, with Alt. */
const STEP = { plain: mm(1), shift: mm(5), alt: mm(0.1) }
const ARROWS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
const GROWS = 1.1
const TURNS = 15

/** Moving, growing, turning, copying and taking away what is picked; each means something only while something is. */
export function holdKeys({ any, nudge, spin, duplicate, take }: InHand): KeyAct[] {
  const toPicked = (act: KeyAct): KeyAct => ({ ...act, run: (event) => any() && act.run?.(event) })
  return [
    toPicked({
      keys: Object.keys(ARROWS),
      words: 'move it; with Shift, further; with Alt, a little',
      run: ({ key, shiftKey, altKey }) => {
        const [x, y] = ARROWS[key]!
        const step = altKey ? STEP.alt : shiftKey ? STEP.shift : STEP.plain
        nudge(x * step, y * step)
      },
    }),
    toPicked({ keys: ['>'], words: 'make it larger', run: () => spin(GROWS, 0) }),
    toPicked({ keys: ['<'], words: 'make it smaller', run: () => spin(1 / GROWS, 0) }),
    toPicked({ keys: ['r'], words: 'turn it right', run: () => spin(1, TURNS) }),
    toPicked({ keys: ['r'], shift: true, words: 'turn it left', run: () => spin(1, -TURNS) }),
    toPicked({ keys: ['d'], control: true, words: 'duplicate it', run: duplicate }),
    { keys: ['c'], control: true, words: 'copy' },
    { keys: ['x'], control: true, words: 'cut' },
    { keys: ['v'], control: true, words: 'paste words, a picture, or what was copied' },
    toPicked({ keys: ['Delete', 'Backspace'], told: 'Delete', words: 'take it away', run: take }),
  ]
}
