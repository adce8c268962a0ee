import { type Drawn, drawnPrinted, type PrintedItem } from '@hand-back/core'
import { lettersReady, measure } from '../../page/draw/letters.ts'

let drawn = new WeakMap<PrintedItem, Drawn[]>()
// Laid out again once the shipped letters can be measured.
void lettersReady().then(() => {
  drawn = new WeakMap()
})

/** What a thing looks like, laid out once for each state of it. */
export function drawnOf(item: PrintedItem): Drawn[] {
  let made = drawn.get(item)
  if (!made) {
    made = drawnPrinted(item, measure)
    drawn.set(item, made)
  }
  return made
}
