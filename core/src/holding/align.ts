import { around, type Box, bottom, middle, right } from '../worksheet/box.ts'

/** The sides and middles that things can be brought to. */
export type Side = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom'

type Lying = Box & { readonly id: string }

/**
 * Brings boxes to one side or middle of the box around them all; their sizes stay.
 *
 * Laws: aligning twice is aligning once; the box around all does not grow; the other direction stays.
 */
export function align<Thing extends Lying>(things: readonly Thing[], side: Side): Thing[] {
  if (things.length === 0) return []
  const all = around(things)
  const to: Record<Side, (thing: Thing) => Partial<Box>> = {
    left: () => ({ x: all.x }),
    centre: (thing) => ({ x: middle(all).x - thing.width / 2 }),
    right: (thing) => ({ x: right(all) - thing.width }),
    top: () => ({ y: all.y }),
    middle: (thing) => ({ y: middle(all).y - thing.height / 2 }),
    bottom: (thing) => ({ y: bottom(all) - thing.height }),
  }
  return things.map((thing) => ({ ...thing, ...to[side](thing) }))
}

/**
 * Spaces boxes evenly: the first and the last stay, the gaps between neighbours become equal. Fewer
 * than three stay as they are. Boxes too large for their room overlap equally.
 *
 * Laws: the order stays; gaps are equal to 1e-6 pt; the outermost boxes do not move.
 */
export function distribute<Thing extends Lying>(things: readonly Thing[], way: 'across' | 'down'): Thing[] {
  const [at, length] = way === 'across' ? (['x', 'width'] as const) : (['y', 'height'] as const)
  // Beginning at the same place, the shorter is first. Lengths are compared, not ends: sums round.
  const sorted = [...things].sort((a, b) => a[at] - b[at] || a[length] - b[length])
  const last = sorted.at(-1)
  if (sorted.length < 3 || !last) return [...things]
  const first = sorted[0]!
  const room = last[at] + last[length] - first[at]
  const gap = (room - sorted.reduce((sum, thing) => sum + thing[length], 0)) / (sorted.length - 1)
  const places = new Map<string, number>()
  let next = first[at]
  for (const thing of sorted) {
    places.set(thing.id, thing === last ? last[at] : next)
    next += thing[length] + gap
  }
  return things.map((thing) => ({ ...thing, [at]: places.get(thing.id)! }))
}

/** Makes boxes as wide or as high as the first of them; their upper left corners stay. */
export function sameSize<Thing extends Lying>(things: readonly Thing[], which: 'width' | 'height'): Thing[] {
  const first = things[0]
  return first ? things.map((thing) => ({ ...thing, [which]: first[which] })) : []
}

/**
 * How far each copy of a row or grid lies from its original, in points: `across` by `down` places,
 * `gap` points between neighbours. The original's own place, the first, is left out.
 */
export function gridSteps(
  of: Pick<Box, 'width' | 'height'>,
  across: number,
  down: number,
  gap: { readonly x: number; readonly y: number },
): { dx: number; dy: number }[] {
  const steps: { dx: number; dy: number }[] = []
  for (let row = 0; row < down; row++)
    for (let column = 0; column < across; column++)
      if (row + column > 0) steps.push({ dx: column * (of.width + gap.x), dy: row * (of.height + gap.y) })
  return steps
}
