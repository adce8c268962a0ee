import type { Similarity } from '../ink/similarity.ts'
import { type Item, kindOfItem } from '../kinds/items.ts'

/**
 * An item laid elsewhere. Ink and things move, grow and turn; voice notes and cards keep their size and
 * only move; what belongs to an answer place stays.
 *
 * Laws: moved back, it is as it was, to the precision of numbers; a move that would make it too small,
 * large or far to be seen leaves it where it is, so that no number of moves gives what is none.
 */
export const moved = (item: Item, by: Similarity): Item => kindOfItem(item).moved?.(item, by) ?? item

/** An item in another colour; what has none stays. */
export function recoloured(item: Item, colour: string): Item {
  const own = kindOfItem(item).recoloured?.(item, colour)
  return own ?? ('colour' in item ? { ...item, colour } : item)
}

/** The colour of an item, where it has one. */
export const colourOf = (item: Item): string | undefined => ('colour' in item ? item.colour : undefined)
