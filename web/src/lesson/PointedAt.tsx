import { type Pointing, pointing } from '@hand-back/core'
import { useEffect, useState } from 'react'
import { hear, live } from '../api/live.ts'
import type { View } from '../page/view/view.ts'

/** A place that was pointed at fades for so long, in milliseconds. */
const FADES = 1400
/** As large on the screen, in CSS pixels. */
const SIZE = 26
/** The most places that fade at once. */
const MOST = 24

interface Spot extends Pointing {
  readonly id: number
  readonly until: number
}

let counted = 0

/** Where a teacher points just now, on the pages of a hand-out; `copy`: what is meant for one copy is seen on it only. */
export function usePointedAt(handout: string, copy?: string): readonly Spot[] {
  const [spots, setSpots] = useState<readonly Spot[]>([])
  useEffect(
    () =>
      hear(live(), 'point', pointing, (at) => {
        if (at.handout !== handout || (at.copy !== undefined && at.copy !== copy)) return
        const now = performance.now()
        setSpots((before) => [
          ...before.filter(({ until }) => until > now).slice(1 - MOST),
          { ...at, id: ++counted, until: now + FADES },
        ])
      }),
    [handout, copy],
  )
  useEffect(() => {
    const last = spots.at(-1)
    if (!last) return
    const timer = setTimeout(() => setSpots([]), last.until - performance.now())
    return () => clearTimeout(timer)
  }, [spots])
  return spots
}

/** What a teacher points at, on the page that is seen: a spot that leaves a fading trail, and takes no pen away. */
export function PointedAt({ spots, page, view }: { spots: readonly Spot[]; page: string; view: View }) {
  const here = spots.filter((spot) => spot.page === page)
  const last = here.at(-1)
  if (!last) return null
  return (
    <>
      {here.map(({ id, x, y }) => (
        <span
          key={id}
          aria-hidden="true"
          data-testid={id === last.id ? 'pointed-at' : undefined}
          className={`pointer-events-none absolute rounded-full ${id === last.id ? 'border-[3px] border-sheet bg-madder shadow-[0_1px_6px_rgb(30_43_58/0.5)]' : 'animate-[fade-out_0.7s_both] bg-madder/60 motion-reduce:hidden'}`}
          style={{
            left: view.x + x * view.scale - SIZE / 2,
            top: view.y + y * view.scale - SIZE / 2,
            width: SIZE,
            height: SIZE,
          }}
        />
      ))}
    </>
  )
}
