import { boundsOfItem } from '../holding/pick.ts'
import { type Bounds, overlap } from '../ink/points.ts'
import type { Item } from '../kinds/items.ts'

/** What lies this near to each other is one piece, in points. */
const NEAR = 16

/** Things that lie together. */
export interface Piece {
  readonly items: readonly Item[]
  readonly bounds: Bounds
  readonly words: string
}

/** What lies together, each with the rectangle around it; the highest item of each is its first. */
export function lyingTogether(
  items: readonly Item[],
  boundsOf: (item: Item) => Bounds = boundsOfItem,
): Piece[] {
  let pieces: { items: Item[]; bounds: Bounds }[] = []
  const byHeight = (a: Item, b: Item) => boundsOf(a).y0 - boundsOf(b).y0
  const downward = [...items].sort(byHeight)
  for (const item of downward) {
    let joined = { items: [item], bounds: boundsOf(item) }
    // What it joins may reach others in turn.
    for (let grew = true; grew; ) {
      const near = pieces.filter(({ bounds }) => overlap(grown(joined.bounds), bounds))
      grew = near.length > 0
      pieces = pieces.filter((piece) => !near.includes(piece))
      for (const piece of near)
        joined = { items: [...piece.items, ...joined.items], bounds: both(piece.bounds, joined.bounds) }
    }
    pieces.push(joined)
  }
  return pieces.map((piece) => {
    const inOrder = [...piece.items].sort(byHeight)
    return { ...piece, items: inOrder, words: inOrder.flatMap(wordsOfItem).join(' ') }
  })
}

const wordsOfItem = (item: Item) => {
  const words = 'text' in item ? item.text.trim() : item.kind === 'voice' ? (item.words ?? '') : ''
  return words === '' ? [] : [words]
}

const grown = ({ x0, y0, x1, y1 }: Bounds): Bounds => ({
  x0: x0 - NEAR,
  y0: y0 - NEAR,
  x1: x1 + NEAR,
  y1: y1 + NEAR,
})

const both = (a: Bounds, b: Bounds): Bounds => ({
  x0: Math.min(a.x0, b.x0),
  y0: Math.min(a.y0, b.y0),
  x1: Math.max(a.x1, b.x1),
  y1: Math.max(a.y1, b.y1),
})
