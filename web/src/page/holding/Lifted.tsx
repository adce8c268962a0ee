import { type Bounds, type Drawn, type Similarity, similarity } from '@hand-back/core'
import { useEffect, useRef } from 'react'
import { whenBitmapsArrive } from '../draw/bitmaps.ts'
import { type Bitmaps, paint } from '../draw/paint.ts'
import type { View } from '../view/view.ts'

/** The longest side of the canvas that carries what is in the air, in device pixels. */
const LONGEST = 4096
/** Room around it for lines and what peeps out, in points. */
const ROOM = 12

interface LiftedProps {
  drawn: readonly Drawn[]
  bounds: Bounds
  by: Similarity
  view: View
  bitmaps: Bitmaps
}

/** What is in the air, drawn once and moved by a transform. */
export function Lifted({ drawn, bounds, by, view, bitmaps }: LiftedProps) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const [x0, y0] = [bounds.x0 - ROOM, bounds.y0 - ROOM]
  const [width, height] = [bounds.x1 + ROOM - x0, bounds.y1 + ROOM - y0]
  useEffect(() => {
    const repaint = () => {
      const element = canvas.current
      if (!element) return
      const pixels = Math.min(view.scale * devicePixelRatio, LONGEST / Math.max(width, height))
      element.width = Math.ceil(width * pixels)
      element.height = Math.ceil(height * pixels)
      const context = element.getContext('2d')!
      context.setTransform(pixels, 0, 0, pixels, -x0 * pixels, -y0 * pixels)
      paint(context, drawn, pixels, bitmaps)
    }
    repaint()
    return whenBitmapsArrive(repaint)
  }, [drawn, view.scale, bitmaps, width, height, x0, y0])

  const corner = similarity.apply({ x: x0, y: y0 }, by)
  const { a, b } = by
  return (
    <canvas
      ref={canvas}
      className="pointer-events-none absolute top-0 left-0 will-change-transform"
      style={{
        width: width * view.scale,
        height: height * view.scale,
        transformOrigin: '0 0',
        transform: `matrix(${a}, ${b}, ${-b}, ${a}, ${corner.x * view.scale + view.x}, ${corner.y * view.scale + view.y})`,
      }}
    />
  )
}
