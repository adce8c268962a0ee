import { drawnInk, drawnThings, type Item, type Person, type Placed, type Stroke } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useMemo, useRef } from 'react'
import { create } from 'zustand'
import { queries } from '../api/queries.ts'
import type { CopyStore } from '../page/copy/copyStore.ts'
import { useCopy } from '../page/copy/useCopy.ts'
import { usePhotos } from '../page/copy/usePhotos.ts'
import { bitmapsFor, whenBitmapsArrive } from '../page/draw/bitmaps.ts'
import { lettersReady, measure } from '../page/draw/letters.ts'
import { paint } from '../page/draw/paint.ts'
import type { View } from '../page/view/view.ts'
import { useSeen } from '../page/work/useWriting.ts'

/** So many pixels of its drawing for each point of a page: sharp where it is written, soft when it is looked at closely. */
const SHARPNESS = 2

/** Whether one looks at what the teacher writes at the front. */
export const useFrontSeen = create(() => ({ seen: true }))

interface BoardInkProps {
  /** The copy on which the teacher writes. */
  board: string
  person: Person
  page: { readonly id: string; readonly width: number; readonly height: number }
  view: View
}

/** What the teacher writes at the front, over the same page of one's own copy: it takes nothing from under a pen. */
export function BoardInk({ board, person, page, view }: BoardInkProps) {
  const whole = useQuery({ ...queries.copy(board), staleTime: Number.POSITIVE_INFINITY })
  const store = useCopy(whole.data, person, 'work')
  return store ? <Drawn {...{ board, store, page, view }} /> : null
}

const isShown = ({ layer }: Placed) => layer === 'work'
const noBytes = () => undefined

function Drawn({ board, store, page, view }: Omit<BoardInkProps, 'person'> & { store: CopyStore }) {
  const { items, strokes } = useSeen(store, page.id, isShown)
  const photoUrl = usePhotos(board, noBytes)
  const canvas = useRef<HTMLCanvasElement>(null)
  const bitmaps = useMemo(() => bitmapsFor(photoUrl), [photoUrl])
  useEffect(() => {
    const draw = () => canvas.current && drawOn(canvas.current, items, strokes, bitmaps)
    draw()
    void lettersReady().then(draw)
    return whenBitmapsArrive(draw)
  }, [items, strokes, bitmaps])
  return (
    <canvas
      ref={canvas}
      data-testid="front-ink"
      width={Math.round(page.width * SHARPNESS)}
      height={Math.round(page.height * SHARPNESS)}
      role="img"
      aria-label="What your teacher writes at the front"
      className="pointer-events-none absolute"
      style={{ left: view.x, top: view.y, width: page.width * view.scale, height: page.height * view.scale }}
    />
  )
}

function drawOn(
  canvas: HTMLCanvasElement,
  items: readonly Item[],
  strokes: readonly Stroke[],
  bitmaps: ReturnType<typeof bitmapsFor>,
): void {
  const context = canvas.getContext('2d')!
  context.setTransform(1, 0, 0, 1, 0, 0)
  context.clearRect(0, 0, canvas.width, canvas.height)
  context.setTransform(SHARPNESS, 0, 0, SHARPNESS, 0, 0)
  paint(context, [...drawnThings(items, measure), ...drawnInk(strokes, measure)], SHARPNESS, bitmaps)
}
