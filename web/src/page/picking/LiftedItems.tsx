import {
  boundsAround,
  fitThing,
  type Item,
  inkMarks,
  isThing,
  laid,
  type Similarity,
  thingsMarks,
} from '@hand-back/core'
import { useEffect, useRef } from 'react'
import { bitmapsFor } from '../draw/bitmaps.ts'
import { drawMarks } from '../draw/drawMarks.ts'
import { measure } from '../draw/letters.ts'
import type { View } from '../view.ts'

/** The longest side of the canvas that carries what is in the air, in device pixels. */
const LONGEST = 4096

interface LiftedItemsProps {
  items: readonly Item[]
  by: Similarity
  view: View
  photoUrl: (recording: string) => string
}

/** What is picked up and in the air, drawn once and moved by a transform. */
export function LiftedItems({ items, by, view, photoUrl }: LiftedItemsProps) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const bounds = boundsAround(items)!
  const [width, height] = [bounds.x1 - bounds.x0 + 4, bounds.y1 - bounds.y0 + 4]
  const { x0, y0 } = bounds
  useEffect(() => {
    const element = canvas.current!
    const pixels = Math.min(view.scale * devicePixelRatio, LONGEST / Math.max(width, height))
    element.width = Math.ceil(width * pixels)
    element.height = Math.ceil(height * pixels)
    const context = element.getContext('2d')!
    context.setTransform(pixels, 0, 0, pixels, (2 - x0) * pixels, (2 - y0) * pixels)
    const bitmaps = bitmapsFor(photoUrl)
    const fitted = items.map((item) => (isThing(item) ? fitThing(item, measure) : item))
    const marks = [...thingsMarks(fitted, measure), ...inkMarks(fitted, measure)]
    drawMarks(context, marks, pixels, bitmaps)
  }, [items, view.scale, photoUrl, width, height, x0, y0])

  const corner = laid({ x: x0 - 2, y: y0 - 2 }, by)
  const { a, b } = by
  return (
    <canvas
      ref={canvas}
      className="absolute top-0 left-0"
      style={{
        width: width * view.scale,
        height: height * view.scale,
        transformOrigin: '0 0',
        transform: `matrix(${a}, ${b}, ${-b}, ${a}, ${corner.x * view.scale + view.x}, ${corner.y * view.scale + view.y})`,
      }}
    />
  )
}
