import {
  guided,
  guidedEnd,
  type InkPoint,
  itemUnder,
  MOST_POINTS_MADE,
  packPoints,
  Steadier,
  type Stroke,
  type Swatch,
  toBase64,
} from '@hand-back/core'
import { type PointerEvent, useEffect, useRef, useState } from 'react'
import { strokeAsPath } from '../../page/draw/outlinePath.ts'
import type { StripPart } from './strips.ts'

interface StripInkProps {
  part: StripPart
  /** CSS pixels a point. */
  scale: number
  swatch: Swatch
  /** A mouse writes too; else it drags the strip. */
  byMouse: boolean
  /** This teacher's own ink there, which the pen's other end takes away. */
  own: readonly Stroke[]
  onStroke: (stroke: Stroke) => void
  onRubOut: (items: string[]) => void
}

const ERASER_BUTTON = 32
/** The reach of the pen's other end, and how far a mouse's ink may lag to be steadied, in points. */
const [REACH, LEASH] = [6, 4]

/** Lies over a strip: a pen writes there on the copy itself, its other end rubs out; a finger moves the list. */
export function StripInk({ part, scale, swatch, byMouse, own, onStroke, onRubOut }: StripInkProps) {
  const box = useRef<HTMLSpanElement>(null)
  const points = useRef<InkPoint[]>([])
  const guide = useRef<Steadier[]>([])
  const began = useRef<number>(undefined)
  const [wet, setWet] = useState<Stroke>()
  useEffect(() => {
    // A pen that writes must not move the list, which touch-action cannot say for pens alone.
    const still = (event: TouchEvent) => began.current !== undefined && event.preventDefault()
    const element = box.current!
    element.addEventListener('touchstart', still, { passive: false })
    element.addEventListener('touchmove', still, { passive: false })
    return () => {
      element.removeEventListener('touchstart', still)
      element.removeEventListener('touchmove', still)
    }
  }, [])

  const strokeOf = (): Stroke => ({
    id: crypto.randomUUID(),
    kind: 'stroke',
    nib: swatch.nib,
    colour: swatch.colour,
    width: swatch.width,
    points: toBase64(packPoints(points.current)),
  })
  const placeOf = ({ clientX, clientY }: { clientX: number; clientY: number }) => {
    const { left, top } = box.current!.getBoundingClientRect()
    return { x: part.cut.x + (clientX - left) / scale, y: part.cut.y + (clientY - top) / scale }
  }
  const rubs = ({ buttons }: PointerEvent) => (buttons & ERASER_BUTTON) !== 0
  const rubAt = (event: PointerEvent) => {
    const under = itemUnder(own, placeOf(event), REACH)
    if (under) onRubOut([under.id])
  }
  const add = (event: PointerEvent) => {
    const all = event.nativeEvent.getCoalescedEvents?.() ?? []
    for (const each of all.length > 0 ? all : [event.nativeEvent]) {
      const time = Math.max(0, Math.round(each.timeStamp - began.current!))
      const pressure = each.pointerType === 'mouse' ? 0.5 : each.pressure
      points.current.push(guided(guide.current, { ...placeOf(each), pressure, time }))
    }
    setWet(strokeOf())
    // A stroke longer than one may be goes on in the next.
    if (points.current.length >= MOST_POINTS_MADE) onStroke(strokeOf())
    if (points.current.length >= MOST_POINTS_MADE) points.current = []
  }
  const end = () => {
    if (began.current === undefined) return
    points.current.push(...guidedEnd(guide.current))
    if (points.current.length > 0) onStroke(strokeOf())
    began.current = undefined
    points.current = []
    setWet(undefined)
  }
  return (
    <span
      ref={box}
      data-testid="strip-ink"
      className={`absolute inset-0 ${byMouse ? 'cursor-crosshair' : ''}`}
      style={{ touchAction: 'pan-y' }}
      onPointerDown={(event) => {
        if (event.pointerType === 'touch' || (event.pointerType === 'mouse' && !byMouse)) return
        // Else the strip would be dragged.
        event.stopPropagation()
        event.preventDefault()
        event.currentTarget.closest<HTMLElement>('[data-strip]')?.focus({ preventScroll: true })
        event.currentTarget.setPointerCapture(event.pointerId)
        if (rubs(event)) return rubAt(event)
        if (event.button !== 0) return
        began.current = event.nativeEvent.timeStamp
        guide.current = event.pointerType === 'mouse' ? [new Steadier(LEASH / scale)] : []
        points.current = []
        add(event)
      }}
      onPointerMove={(event) => {
        if (event.pointerType === 'touch') return
        if (rubs(event)) rubAt(event)
        else if (began.current !== undefined) add(event)
      }}
      onPointerUp={end}
      onPointerCancel={end}
    >
      {wet && (
        <svg
          aria-hidden="true"
          className="pointer-events-none absolute inset-0 h-full w-full"
          viewBox={`${part.cut.x} ${part.cut.y} ${part.cut.width} ${part.cut.height}`}
        >
          <path d={strokeAsPath(wet)} fill={wet.colour} />
        </svg>
      )}
    </span>
  )
}
