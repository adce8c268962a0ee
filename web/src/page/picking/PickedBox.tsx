import {
  around,
  type Boxed,
  boundsAround,
  boxOfBounds,
  drawnInk,
  drawnThings,
  type Item,
  isThing,
  type SnapLines,
  seenBox,
  type Thing,
} from '@hand-back/core'
import { useCallback, useMemo } from 'react'
import { bitmapsFor } from '../draw/bitmaps.ts'
import { measure } from '../draw/letters.ts'
import { HeldBox } from '../holding/HeldBox.tsx'
import { useHold } from '../holding/useHold.ts'
import type { View } from '../view/view.ts'
import type { Picking } from './usePicking.ts'

interface PickedBoxProps {
  picking: Picking
  /** What things come to lie on. */
  lines: () => SnapLines
  view: View
  photoUrl: (name: string) => string
  /** Told whether things are in the air: then they are drawn here and nowhere else. */
  onLift: (lifted: boolean) => void
  /** Tapped while picked up. */
  onTap: () => void
  /** It cannot be held here just now. */
  onClose: () => void
}

/** Ink and things of a copy that are picked up, to be moved, made larger and turned. */
export function PickedBox({ picking, lines, view, photoUrl, onLift, onTap }: PickedBoxProps) {
  const { items } = picking
  const only = items.length === 1 && isThing(items[0]!) ? items[0] : undefined
  const held = {
    bounds: picking.bounds!,
    edges: items.every(isThing) ? around(items.map(seenBox)) : boxOfBounds(picking.bounds!),
    only,
    // Handwriting stays where the hand puts it.
    lines: () => (items.some(isThing) ? lines() : NO_LINES),
    lift: onLift,
    move: picking.move,
    reshape: picking.reshape,
    tap: onTap,
  }
  const hold = useHold(held, view)
  const drawnOf = useCallback(
    (shaped: Boxed | undefined) => looksOf(shaped ? [shaped as Thing] : items),
    [items],
  )
  const bitmaps = useMemo(() => bitmapsFor(photoUrl), [photoUrl])
  return <HeldBox held={held} hold={hold} view={view} drawnOf={drawnOf} bitmaps={bitmaps} turns />
}

const NO_LINES: SnapLines = { down: [], across: [] }

function looksOf(items: readonly Item[]) {
  return {
    drawn: [...drawnThings(items, measure), ...drawnInk(items, measure)],
    bounds: boundsAround(items)!,
  }
}
