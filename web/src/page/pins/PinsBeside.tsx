import type { Point } from '@hand-back/core'
import { fetchedPart } from '../../ui/fetchedPart.tsx'
import type { Pins } from './usePins.ts'

/** Most pages have nothing pinned to them. */
export const PinMargin = fetchedPart('PinMargin', () =>
  import('./pinParts.ts').then(({ PinMargin }) => ({ PinMargin })),
)

interface PinsBesideProps {
  pins: Pins
  soundUrl: (recording: string) => string
  /** Says something at a place, or as an answer to a pin; left out: nobody can speak here. */
  onSpeak?: ((at: Point, pin: { readonly to?: string }) => void) | undefined
}

/** What is said at the places of a page, beside it. */
export function PinsBeside({ pins, soundUrl, onSpeak }: PinsBesideProps) {
  const { on, draft, open, leave } = pins
  if (on.length === 0 && !draft) return null
  const speak = (pin: { readonly to?: string }) => {
    const at = draft ?? on.find(({ item }) => item.id === open)?.item
    if (!at || !onSpeak) return
    if (draft) leave()
    onSpeak({ x: at.x, y: at.y }, pin)
  }
  return <PinMargin pins={pins} soundUrl={soundUrl} onSpeak={onSpeak ? speak : undefined} onClose={leave} />
}
