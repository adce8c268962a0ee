import type { Item, Person, Placed, Stroke, Thing } from '@hand-back/core'
import { useCallback, useEffect, useRef, useState } from 'react'
import { importAgain } from '../../ui/importAgain.ts'
import type { CopyStore } from '../copy/copyStore.ts'
import { useHabits } from '../habits/useHabits.ts'

interface Offer {
  readonly page: string
  readonly stroke: string
  /** What goes with the stroke: the box that it divides. */
  readonly takes: readonly string[]
  readonly shape: Thing
}

export interface Neatening {
  /** The neat shape that can be had in place of what was drawn last. */
  readonly offered: Thing | undefined
  /** A stroke was drawn just now. */
  drew(stroke: Stroke): void
  /** Takes what is offered; undo brings back what was drawn. */
  take(): void
}

/** How long a stroke can be made neat, in milliseconds: then the hand has gone on. */
const LASTS = 10_000

/** Making neat what one draws on a page: where one takes what is offered, or at once, as its person wants it. */
export function useNeat(
  store: CopyStore,
  page: string,
  person: Person,
  items: readonly Item[],
  /** What of them may be taken away. */
  mine: readonly Placed[],
): Neatening {
  const [{ neat = 'offered' }] = useHabits(person.id)
  const own = useRef(mine)
  own.current = mine
  const [offer, setOffer] = useState<Offer>()
  useEffect(() => {
    if (!offer) return
    const over = setTimeout(() => setOffer(undefined), LASTS)
    return () => clearTimeout(over)
  }, [offer])
  const change = useCallback(
    ({ page, stroke, takes, shape }: Offer) => {
      store.act(page, { act: 'swap', take: [stroke, ...takes], bring: [], items: [shape] })
      setOffer(undefined)
    },
    [store],
  )
  const drew = useCallback(
    (stroke: Stroke) => {
      setOffer(undefined)
      if (neat === 'never' || stroke.nib === 'highlighter') return
      importAgain(() => import('./neatOf.ts'))
        .then(({ neatOf }) => {
          const found = neatOf(
            stroke,
            own.current.map(({ item }) => item),
          )
          if (!found) return
          const made = { page, stroke: stroke.id, ...found }
          if (neat === 'always') change(made)
          else setOffer(made)
        })
        // Out of reach: it stays as it was drawn.
        .catch(() => {})
    },
    [neat, page, change],
  )
  // What was taken away or undone since has nothing to offer.
  const now = offer?.page === page && items.some(({ id }) => id === offer.stroke) ? offer : undefined
  const take = useCallback(() => now && change(now), [now, change])
  return { offered: now?.shape, drew, take }
}
