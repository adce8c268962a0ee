import { asRemark, blankItem, fitThing, type Item, mm, type RemarkKept, type Thing } from '@hand-back/core'
import { measure } from '../../page/draw/letters.ts'

/** How words of feedback are laid out: as wide as a margin, in the colour of feedback. */
const WIDTH = mm(62)
const SIZE = 13
const MADDER = '#a83a2e'

/** Words as the items of a remark. */
export function wordsAsItems(text: string): Item[] {
  const blank = blankItem('text', { x: 0, y: 0, width: WIDTH, height: mm(7) }, () => crypto.randomUUID())
  const laid = { ...blank, text, size: SIZE, colour: MADDER, turn: 0 } as Thing
  return asRemark([fitThing(laid, measure)])
}

/** A new remark of words, under a name made of the first of them. */
export const wordsRemark = (text: string, id: string = crypto.randomUUID()): RemarkKept => ({
  id,
  name: text.trim().slice(0, 60),
  unit: '',
  items: wordsAsItems(text.trim()),
  carries: 0,
})
