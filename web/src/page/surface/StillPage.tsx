import {
  type Drawn,
  HIGHLIGHTER_OPACITY,
  type Stroke,
  shinesThrough,
  type WorksheetPage,
} from '@hand-back/core'
import { useEffect, useMemo, useRef } from 'react'
import { bitmapsFor } from '../draw/bitmaps.ts'
import { InkCanvas } from '../draw/InkCanvas.ts'
import { PaperCanvas } from '../draw/PaperCanvas.ts'

interface StillPageProps {
  page: WorksheetPage
  /** What is printed on the page and answered there. */
  drawn: readonly Drawn[]
  strokes: readonly Stroke[]
  photoUrl?: (name: string) => string
  /** CSS pixels a point. */
  scale: number
}

/** What changes is drawn when the hand rests, in milliseconds: the page one writes on comes first. */
const REST = 250
/** A page is drawn at most so many device pixels wide; seen larger, it is enlarged. */
const MOST_PIXELS = 2000

/** A page that is only seen, drawn whole. */
export function StillPage({ page, drawn, strokes, photoUrl, scale }: StillPageProps) {
  const host = useRef<HTMLDivElement>(null)
  const layers = useRef<{ paper: PaperCanvas; highlighter: InkCanvas; ink: InkCanvas }>(undefined)
  useEffect(() => {
    const canvas = (name: string) => host.current!.querySelector<HTMLCanvasElement>(`[data-still=${name}]`)!
    const made = {
      paper: new PaperCanvas(canvas('paper'), () => {}),
      highlighter: new InkCanvas(canvas('highlighter'), true),
      ink: new InkCanvas(canvas('ink')),
    }
    layers.current = made
    return () => made.paper.close()
  }, [])
  const bitmaps = useMemo(() => bitmapsFor(photoUrl), [photoUrl])
  const inks = useMemo(
    () => ({
      highlighter: strokes.filter(shinesThrough),
      ink: strokes.filter((stroke) => !shinesThrough(stroke)),
    }),
    [strokes],
  )
  const latest = useRef(inks)
  latest.current = inks
  useEffect(
    () =>
      atRest(() => {
        const ratio = Math.min(devicePixelRatio, MOST_PIXELS / (page.width * scale))
        const size = { width: page.width * scale, height: page.height * scale }
        const view = { scale, x: 0, y: 0 }
        const { paper, highlighter, ink } = layers.current!
        for (const layer of [paper, highlighter, ink]) {
          layer.resize(size, ratio)
          // As large as its page whatever the scale is by now.
          Object.assign(layer.element.style, { width: '100%', height: '100%' })
        }
        paper.show(page, view)
        const whole = { x0: 0, y0: 0, x1: page.width, y1: page.height }
        highlighter.drawAll(latest.current.highlighter, view, whole)
        ink.drawAll(latest.current.ink, view, whole)
      }),
    [page, scale],
  )
  useEffect(() => atRest(() => layers.current!.paper.showDrawn(drawn, bitmaps, false)), [drawn, bitmaps])
  // A stroke more is drawn on top of what is there.
  useEffect(
    () =>
      atRest(() => {
        layers.current!.highlighter.update(inks.highlighter)
        layers.current!.ink.update(inks.ink)
      }),
    [inks],
  )
  return (
    <div ref={host} className="absolute inset-0">
      <canvas data-still="paper" className="absolute inset-0" />
      <canvas
        data-still="highlighter"
        className="absolute inset-0 mix-blend-multiply"
        style={{ opacity: HIGHLIGHTER_OPACITY }}
      />
      <canvas data-still="ink" className="absolute inset-0" />
    </div>
  )
}

/** Draws when the hand rests; returns what calls it off. */
function atRest(draw: () => void): () => void {
  const timer = setTimeout(draw, REST)
  return () => clearTimeout(timer)
}
