import { type InkPoint, MOST_POINTS_MADE, packPoints, type Stroke, toBase64 } from '@hand-back/core'
import { type PointerEvent, useRef, useState } from 'react'
import { toPage, type View } from '../view/view.ts'
import type { RecordingHere } from '../voice/recordingsHere.ts'
import type { Speaking } from '../voice/speaking.ts'
import { InkOver, Strokes } from './InkOver.tsx'

interface PinDrawingProps {
  /** What was drawn until now. */
  drawn: RecordingHere['drawn']
  speaking: Speaking
  view: View
}

/** The pen of what is said at a place: in the colour of pins, told apart from work and from feedback; in points. */
const PEN = { kind: 'stroke', nib: 'pen', colour: '#46618c', width: 2.4 } as const

/** Lies over the page while something is said at a place of it: what is drawn then goes with the voice. */
export function PinDrawing({ drawn = [], speaking, view }: PinDrawingProps) {
  const points = useRef<InkPoint[]>([])
  const began = useRef(0)
  const [written, setWritten] = useState<Stroke>()
  const add = (event: PointerEvent<HTMLElement>) => {
    const { left, top } = event.currentTarget.getBoundingClientRect()
    const all = event.nativeEvent.getCoalescedEvents?.() ?? []
    for (const { clientX, clientY, pressure, timeStamp } of all.length > 0 ? all : [event.nativeEvent]) {
      const at = toPage(view, { x: clientX - left, y: clientY - top })
      points.current.push({ ...at, pressure, time: Math.round(timeStamp - began.current) })
    }
    // A stroke longer than one may be goes on in the next.
    if (points.current.length >= MOST_POINTS_MADE) speaking.drewFor(strokeOf(points.current.splice(0)))
    setWritten(strokeOf(points.current))
  }
  const end = () => {
    if (points.current.length > 0) speaking.drewFor(strokeOf(points.current))
    points.current = []
    setWritten(undefined)
  }
  return (
    <>
      <InkOver view={view}>
        <Strokes strokes={[...drawn.map(([, stroke]) => stroke), ...(written ? [written] : [])]} />
      </InkOver>
      <div
        data-takes="one"
        className="pointer-events-auto absolute inset-0 z-10 cursor-crosshair touch-none border-4 border-slate/40"
        onPointerDown={(event) => {
          if (!event.isPrimary || event.button !== 0) return
          event.currentTarget.setPointerCapture(event.pointerId)
          began.current = event.nativeEvent.timeStamp
          points.current = []
          add(event)
        }}
        onPointerMove={(event) => {
          if (points.current.length > 0 && event.isPrimary) add(event)
        }}
        onPointerUp={end}
        onPointerCancel={end}
      >
        <p className="pointer-events-none absolute top-3 left-1/2 w-max -translate-x-1/2 rounded-tag bg-ink px-4 py-2 text-sheet">
          Speak, and draw here what you mean.
        </p>
      </div>
    </>
  )
}

const strokeOf = (points: readonly InkPoint[]): Stroke => ({
  id: crypto.randomUUID(),
  ...PEN,
  points: toBase64(packPoints(points)),
})
