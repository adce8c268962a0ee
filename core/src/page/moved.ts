import { after, canBeSeen, growthOf, isPlace, laid, type Similarity, turnOf } from '../ink/similarity.ts'
import type { Stroke } from '../ink/stroke.ts'
import { middle } from '../worksheet/box.ts'
import { type Item, isThing, type Thing } from './items.ts'

/**
 * An item laid elsewhere. Ink and things move, grow and turn; voice notes and cards keep their size and
 * only move; what belongs to an answer place stays.
 *
 * Laws: moved back, it is as it was, to the precision of numbers; a move that would make it too small,
 * large or far to be seen leaves it where it is, so that no number of moves gives what is none.
 */
export function moved(item: Item, by: Similarity): Item {
  if (isThing(item)) return movedThing(item, by)
  switch (item.kind) {
    case 'stroke':
      return lying(item, item.lies ? after(item.lies, by) : by)
    case 'voice':
    case 'card': {
      const there = laid(item, by)
      return isPlace(there) ? there : item
    }
    default:
      return item
  }
}

const lying = (item: Stroke, lies: Similarity): Stroke => (canBeSeen(lies) ? { ...item, lies } : item)

/** The longest side that a thing can get, in points. */
const LONGEST = 1e6

function movedThing(thing: Thing, by: Similarity): Thing {
  const factor = growthOf(by)
  const to = laid(middle(thing), by)
  const [width, height] = [thing.width * factor, thing.height * factor]
  if (!isPlace(to) || !(Math.max(width, height) <= LONGEST)) return thing
  const box = { x: to.x - width / 2, y: to.y - height / 2, width, height, turn: thing.turn + turnOf(by) }
  if (thing.kind === 'text' || thing.kind === 'direction')
    return { ...thing, ...box, size: thing.size * factor }
  if (thing.kind === 'shape') return { ...thing, ...box, line: thing.line * factor }
  return { ...thing, ...box }
}

/** An item in another colour; what has none stays. A shape that is filled with its own colour stays so. */
export function recoloured(item: Item, colour: string): Item {
  if (item.kind === 'shape') return { ...item, colour, fill: item.fill === item.colour ? colour : item.fill }
  return 'colour' in item ? { ...item, colour } : item
}

/** The colour of an item, where it has one. */
export const colourOf = (item: Item): string | undefined => ('colour' in item ? item.colour : undefined)
