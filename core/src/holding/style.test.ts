import { describe, expect, test } from '@jest/globals'
import { type Ink, inkItem } from '../kinds/ink.ts'
import { printedItem } from '../kinds/printed.ts'
import { box, middle } from '../worksheet/box.ts'
import { styled } from './style.ts'

const idOf = (number: number) => `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`

const drawn: Ink = inkItem(idOf(1), {
  id: idOf(2),
  kind: 'stroke',
  nib: 'pen',
  colour: '#1f2a44',
  width: 2,
  points: '',
})

describe('a printed stroke in another width', () => {
  test('of which nothing can be read keeps its place, even at the rim of where things may lie', () => {
    // Found by chance: its new box lay past the rim only once it was turned back into its place.
    const tiny = 5.562_684_646_268_01e-309
    const item: Ink = {
      ...drawn,
      x: -19_999.793_178_148_317,
      y: 0,
      width: 1,
      height: 1,
      turn: 313.373_408_784_389_54,
      stroke: { ...drawn.stroke, width: 0.02, points: ' ' },
      inner: { x: 0, y: 0, width: tiny, height: tiny },
    }
    const now = styled(item, { line: 3 }) as Ink
    expect(printedItem.safeParse(now).error).toBeUndefined()
    expect(now.stroke.width).toBe(3)
    expect(box.parse(now)).toEqual(box.parse(item))
    expect(middle(now)).toEqual(middle(item))
  })
})
