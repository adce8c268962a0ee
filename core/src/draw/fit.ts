import type { PrintedItem } from '../worksheet/printed.ts'
import type { Measure } from './mark.ts'
import { choiceHeight } from './places.ts'
import { DIRECTION_INSET } from './printed.ts'
import { textHeight } from './text.ts'

/** The least that a thing may be in points, so that it can be found again. */
const LEAST = 4

/** An item as high as what it says needs; things without words stay as they are. */
export function fitHeight<Item extends PrintedItem>(item: Item, measure: Measure): Item {
  const width = Math.max(item.width, LEAST)
  switch (item.kind) {
    case 'text': {
      const indent = item.list === 'none' ? 0 : item.size * 1.5
      return { ...item, width, height: textHeight(item.text, width - indent, item, measure) }
    }
    case 'direction': {
      const style = { face: 'reading', size: item.size, bold: false, colour: '' } as const
      const inner = Math.max(LEAST, width - 2 * DIRECTION_INSET - 3)
      return { ...item, width, height: textHeight(item.text, inner, style, measure) + DIRECTION_INSET * 1.2 }
    }
    case 'choice':
      return { ...item, width, height: choiceHeight({ ...item, width }, measure) }
    default:
      return item
  }
}

/** Whether a thing keeps its shape when its corner is dragged. */
export function keepsShape(item: PrintedItem): boolean {
  return ['formula', 'picture', 'piece', 'ink'].includes(item.kind)
}
