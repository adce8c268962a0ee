import { inkItem } from '../kinds/ink.ts'
import type { PrintedItem } from '../kinds/printed.ts'
import { keptWhereSeen } from '../kinds/turned.ts'
import { box } from '../worksheet/box.ts'

/** What many kinds of things on a page have in common in their looks. What one does not have is left out. */
export interface Style {
  readonly colour?: string
  /** The size of its letters, in points. */
  readonly letters?: number
  /** The width of its line, in points. */
  readonly line?: number
}

/** How a thing looks, as far as others can look the same. */
export function styleOf(item: PrintedItem): Style {
  if (item.kind === 'ink') return { colour: item.stroke.colour, line: item.stroke.width }
  if (item.kind === 'card') return 'size' in item.face ? { letters: item.face.size } : {}
  return {
    ...('colour' in item ? { colour: item.colour } : {}),
    ...('size' in item ? { letters: item.size } : {}),
    ...('line' in item ? { line: item.line } : {}),
  }
}

/** The thing in a style; what it does not have it does not get. */
export function styled(item: PrintedItem, style: Style): PrintedItem {
  const has = styleOf(item)
  const { colour, letters, line } = {
    colour: has.colour && style.colour,
    letters: has.letters && style.letters,
    line: has.line !== undefined ? style.line : undefined,
  }
  if (item.kind === 'ink') return inked(item, colour, line)
  if (item.kind === 'card')
    return letters && 'size' in item.face ? { ...item, face: { ...item.face, size: letters } } : item
  return {
    ...item,
    ...(colour ? { colour } : {}),
    ...(letters ? { size: letters } : {}),
    ...(line === undefined ? {} : { line }),
  } as PrintedItem
}

/** What several things have of a style; a value where all that have it have the same. */
export function sharedStyle(items: readonly PrintedItem[]): {
  readonly [Part in keyof Required<Style>]: { readonly any: boolean; readonly same: Style[Part] }
} {
  const styles = items.map(styleOf)
  const part = <Part extends keyof Style>(name: Part) => {
    const there = styles.map((style) => style[name]).filter((value) => value !== undefined)
    const same = there.every((value) => value === there[0]) ? there[0] : undefined
    return { any: there.length > 0, same }
  }
  return { colour: part('colour'), letters: part('letters'), line: part('line') }
}

type Ink = Extract<PrintedItem, { kind: 'ink' }>

/** A stroke in another colour or width: its box grows and shrinks with its line, its middle line stays. */
function inked(item: Ink, colour = item.stroke.colour, width = item.stroke.width): Ink {
  const stroke = { ...item.stroke, colour, width }
  if (width === item.stroke.width || stroke.points === '') return { ...item, stroke }
  const { inner } = inkItem(item.id, stroke)
  const by = { x: item.width / item.inner.width, y: item.height / item.inner.height }
  const lies = {
    x: item.x + (inner.x - item.inner.x) * by.x,
    y: item.y + (inner.y - item.inner.y) * by.y,
    width: inner.width * by.x,
    height: inner.height * by.y,
  }
  const restyled = keptWhereSeen(item, { ...item, ...lies, stroke, inner })
  // Of a stroke whose new place would be none that a page has, only the looks change.
  const placed = box.safeParse(restyled).success && box.safeParse(inner).success
  return placed ? restyled : { ...item, stroke }
}
