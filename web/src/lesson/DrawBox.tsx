import { type Box, boxBetween, type Point, shared } from '@hand-back/core'
import { type PointerEvent, useRef, useState } from 'react'
import type { View } from '../page/view/view.ts'

/** A part that is smaller than this, in points, was a slip of the hand. */
const SMALLEST = 20

interface DrawBoxProps {
  view: View
  /** What can be drawn round, in points. */
  of: Box
  onBox: (box: Box) => void
}

/** Over a page: the next that is drawn on it is a box round a part of it. */
export function DrawBox({ view, of, onBox }: DrawBoxProps) {
  const from = useRef<Point>(undefined)
  const [drawn, setDrawn] = useState<Box>()
  const placeOf = (event: PointerEvent<HTMLElement>): Point => {
    const { left, top } = event.currentTarget.getBoundingClientRect()
    return { x: (event.clientX - left - view.x) / view.scale, y: (event.clientY - top - view.y) / view.scale }
  }
  const up = () => {
    from.current = undefined
    if (drawn && drawn.width > SMALLEST && drawn.height > SMALLEST) onBox(drawn)
    setDrawn(undefined)
  }
  return (
    <div
      data-testid="draw-box"
      data-takes="one"
      className="pointer-events-auto absolute inset-0 cursor-crosshair touch-none"
      onPointerDown={(event) => {
        event.stopPropagation()
        event.currentTarget.setPointerCapture(event.pointerId)
        from.current = placeOf(event)
      }}
      onPointerMove={(event) => {
        event.stopPropagation()
        if (from.current) setDrawn(shared(boxBetween(from.current, placeOf(event)), of))
      }}
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
