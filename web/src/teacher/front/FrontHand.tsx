import { type Box, boxBetween, type Point, shared } from '@hand-back/core'
import { type PointerEvent, useRef, useState } from 'react'
import { live } from '../../api/live.ts'
import type { View } from '../../page/view/view.ts'
import type { FrontSheet } from './FrontSheets.tsx'

/** Where one points is told no more often than this, in milliseconds. */
const EVERY = 50
/** A part that is smaller than this, in points, was a slip of the hand. */
const SMALLEST = 20

interface FrontHandProps {
  handout: string
  sheet: FrontSheet
  view: View
  /** Told a part that was drawn round; left out: one points. */
  onPart?: ((part: Box) => void) | undefined
}

/** A hand over a sheet at the front: pressed, it points, on everybody's page too; or it draws round a part. */
export function FrontHand({ handout, sheet, view, onPart }: FrontHandProps) {
  const told = useRef(0)
  const from = useRef<Point>(undefined)
  const [drawn, setDrawn] = useState<Box>()
  const placeOf = (event: PointerEvent<HTMLElement>): Point => {
    const { left, top } = event.currentTarget.getBoundingClientRect()
    return { x: (event.clientX - left - view.x) / view.scale, y: (event.clientY - top - view.y) / view.scale }
  }
  const point = (at: Point) => {
    if (performance.now() - told.current < EVERY) return
    told.current = performance.now()
    const { copy, page } = sheet
    live().emit('point', { handout, page: page.id, ...at, ...(copy === undefined ? {} : { copy }) })
  }
  const down = (event: PointerEvent<HTMLElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId)
    const at = placeOf(event)
    from.current = at
    if (!onPart) point(at)
  }
  const move = (event: PointerEvent<HTMLElement>) => {
    if (!from.current) return
    const at = placeOf(event)
    if (onPart) setDrawn(shared(boxBetween(from.current, at), sheet.part))
    else point(at)
  }
  const up = () => {
    from.current = undefined
    if (drawn && drawn.width > SMALLEST && drawn.height > SMALLEST) onPart?.(drawn)
    setDrawn(undefined)
  }
  return (
    <div
      data-testid="front-hand"
      className={`absolute inset-0 touch-none ${onPart ? 'cursor-crosshair' : 'cursor-pointer'}`}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={up}
    >
      {drawn && (
        <span
          className="absolute border-2 border-verdigris bg-verdigris/10"
          style={{
            left: view.x + drawn.x * view.scale,
            top: view.y + drawn.y * view.scale,
            width: drawn.width * view.scale,
            height: drawn.height * view.scale,
          }}
        />
      )}
    </div>
  )
}
