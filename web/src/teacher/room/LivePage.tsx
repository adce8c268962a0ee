import {
  type Box,
  drawnInk,
  type Item,
  inSight,
  type Page,
  type Placed,
  pageOf,
  type Stroke,
  type WorksheetPage,
} from '@hand-back/core'
import { memo, useCallback, useEffect, useMemo, useRef, useSyncExternalStore } from 'react'
import { useAnswersOf } from '../../page/answers/useDrawn.ts'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import { usePhotos } from '../../page/copy/usePhotos.ts'
import { bitmapsFor } from '../../page/draw/bitmaps.ts'
import { measure } from '../../page/draw/letters.ts'
import { paint } from '../../page/draw/paint.ts'
import { PaperThumb } from '../../page/pages/PaperThumb.tsx'
import { atNextBeat } from './atNextBeat.ts'
import type { RoomCopy } from './roomCopies.ts'

interface LivePageProps {
  copy: RoomCopy
  page: WorksheetPage
  /** What of it is shown; left out: all. */
  part?: Box | undefined
  /** In CSS pixels. */
  width: number
  height: number
}

/** A page is drawn no larger than this, in CSS pixels, however small a part of it is shown. */
const LARGEST = 1600
const noBytes = () => undefined

/** A page of a copy, small, with ink appearing as it is written. */
export const LivePage = memo(function LivePage({ copy, page, part, width, height }: LivePageProps) {
  const { whole, store } = copy
  const of = part ?? { x: 0, y: 0, width: page.width, height: page.height }
  const scale = Math.min(width / of.width, height / of.height, LARGEST / page.width)
  const now = usePageNow(store, page.id)
  const seen = useMemo(() => inSight(now).filter(isShown), [now])
  const items = useMemo(() => seen.map(({ item }) => item), [seen])
  const still = useAnswersOf(items)
  const photoUrl = usePhotos(whole.id, noBytes)
  const work = useMemo(() => ({ copy: whole.id, items: still, photoUrl }), [whole.id, still, photoUrl])
  return (
    <span
      className="relative block overflow-hidden bg-sheet"
      style={{ width: of.width * scale, height: of.height * scale }}
    >
      <span className="absolute" style={{ left: -of.x * scale, top: -of.y * scale }}>
        <PaperThumb page={page} width={page.width * scale} label="" work={work} />
        <Ink strokes={strokesOf(items)} page={page} scale={scale} />
      </span>
    </span>
  )
})

/** A page of a copy as it is, looked at from beat to beat. */
function usePageNow({ view }: CopyStore, page: string): Page {
  const follow = useCallback((listener: () => void) => view.subscribe(() => atNextBeat(listener)), [view])
  return useSyncExternalStore(follow, () => pageOf(view.getState().log, page))
}

/** What a teacher sees from across the room: work and help, not what is written for later. */
const isShown = ({ layer }: Placed) => layer === 'work' || layer === 'help'
const strokesOf = (items: readonly Item[]) => items.filter((item): item is Stroke => item.kind === 'stroke')

interface InkProps {
  strokes: readonly Stroke[]
  page: WorksheetPage
  scale: number
}

/** Ink over a page. A stroke that comes is drawn over what is there; only where something else changed all of it is. */
function Ink({ strokes, page, scale }: InkProps) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const drawn = useRef<{ strokes: readonly Stroke[]; scale: number }>({ strokes: [], scale: 0 })
  useEffect(() => {
    const target = canvas.current!
    const context = target.getContext('2d')!
    const fine = scale * devicePixelRatio
    const before = drawn.current
    const grows = before.scale === scale && before.strokes.every((stroke, at) => strokes[at] === stroke)
    if (!grows) {
      target.width = Math.round(page.width * fine)
      target.height = Math.round(page.height * fine)
    }
    context.setTransform(fine, 0, 0, fine, 0, 0)
    const fresh = grows ? strokes.slice(before.strokes.length) : strokes
    paint(context, drawnInk(fresh, measure), fine, bitmapsFor())
    drawn.current = { strokes, scale }
  }, [strokes, page, scale])
  return (
    <canvas
      ref={canvas}
      className="absolute inset-0"
      style={{ width: page.width * scale, height: page.height * scale }}
    />
  )
}
