import { type Mark, type PrintedItem, printedMarks } from '@hand-back/core'
import { lettersReady, measure } from '../../page/draw/letters.ts'

let marks = new WeakMap<PrintedItem, Mark[]>()
// Laid out again once the shipped letters can be measured.
void lettersReady().then(() => {
  marks = new WeakMap()
})

/** What a thing looks like, laid out once for each state of it. */
export function marksOf(item: PrintedItem): Mark[] {
  let made = marks.get(item)
  if (!made) {
    made = printedMarks(item, measure)
    marks.set(item, made)
  }
  return made
}
