import { align, type Box, distribute, type Side } from '@hand-back/core'
import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignStartHorizontal,
  AlignStartVertical,
} from 'lucide-react'
import { Button } from '../../ui/Button.tsx'

/** Things as they lie, to be brought to other places. */
export type Lying = Box & { readonly id: string }
/** How boxes are brought to other places; their sizes stay. */
export type Arranging = (boxes: readonly Lying[]) => readonly Lying[]

const SIDES: readonly (readonly [Side, string, typeof AlignStartVertical])[] = [
  ['left', 'Line up at the left', AlignStartVertical],
  ['centre', 'Line up in the middle, one under another', AlignCenterVertical],
  ['right', 'Line up at the right', AlignEndVertical],
  ['top', 'Line up at the top', AlignStartHorizontal],
  ['middle', 'Line up in the middle, side by side', AlignCenterHorizontal],
  ['bottom', 'Line up at the bottom', AlignEndHorizontal],
]

interface LineUpProps {
  count: number
  onArrange: (to: Arranging) => void
  /** It is not to be had just now, where it is fetched first. */
  onClose: () => void
}

/** Several things lined up at a side or in the middle, or spaced evenly. */
export function LineUp({ count, onArrange }: LineUpProps) {
  return (
    <>
      <div className="grid grid-cols-6 gap-1">
        {SIDES.map(([side, label, Icon]) => (
          <Button
            key={side}
            aria-label={label}
            title={label}
            className="!px-2 pointer-coarse:min-h-11"
            onClick={() => onArrange((boxes) => align(boxes, side))}
          >
            <Icon size={18} aria-hidden="true" />
          </Button>
        ))}
      </div>
      <div className="grid grid-cols-2 gap-1">
        {(['across', 'down'] as const).map((way) => (
          <Button
            key={way}
            className="pointer-coarse:min-h-11"
            disabled={count < 3}
            onClick={() => onArrange((boxes) => distribute(boxes, way))}
          >
            Space {way}
          </Button>
        ))}
      </div>
    </>
  )
}
