import type { Point } from '@hand-back/core'
import { useMemo } from 'react'
import { fetchedPart } from '../../ui/fetchedPart.tsx'
import type { Surface } from '../surface/Surface.ts'
import type { Pins } from './usePins.ts'

/** Most pages have nothing pinned to them. */
export const PinMargin = fetchedPart('PinMargin', () =>
  import('./pinParts.ts').then(({ PinMargin }) => ({ PinMargin })),
)

interface PinsBesideProps {
  pins: Pins
  surface: Surface | undefined
  soundUrl: (recording: string) => string
  /** Says something at a place, or as an answer to a pin; left out: nobody can speak here. */
  onSpeak?: ((at: Point, pin: { readonly to?: string }) => void) | undefined
}

/** What is said at the places of a page, beside it. */
export function PinsBeside({ pins, surface, soundUrl, onSpeak }: PinsBesideProps) {
  const { on, draft, open, leave } = pins
  const place = draft ?? on.find(({ item }) => item.id === open)?.item
  // Where it lies over the page it leaves the place free, as one sees it when it opens.
  // biome-ignore lint/correctness/useExhaustiveDependencies: not while one moves the page
  const over = useMemo(
    () => (place && surface && place.y > surface.middle().y ? 'head' : 'foot'),
    [open, draft, surface],
  )
  if (on.length === 0 && !draft) return null
  const speak = (pin: { readonly to?: string }) => {
    if (!place || !onSpeak) return
    if (draft) leave()
    onSpeak({ x: place.x, y: place.y }, pin)
  }
  return (
    <PinMargin
      pins={pins}
      over={over}
      soundUrl={soundUrl}
      onSpeak={onSpeak ? speak : undefined}
      onClose={leave}
    />
  )
}
