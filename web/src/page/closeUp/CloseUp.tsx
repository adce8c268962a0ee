import {
  type Box,
  boundsOf,
  type Drawn,
  type InkPoint,
  type Stroke,
  type WorksheetPage,
} from '@hand-back/core'
import { CornerDownLeft, Minus, Plus, X } from 'lucide-react'
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { strokePath } from '../draw/strokePath.ts'
import { StripButton } from '../strip/StripButton.tsx'
import { PageSurface } from '../surface/PageSurface.tsx'
import type { Writing } from '../tools/writing.ts'
import { toScreen, type View } from '../view/view.ts'
import { beginAt, LINE_AT, nextLine, nextWindow } from './closeUp.ts'
import { Edge } from './Edge.tsx'
import type { CloseUpWindow } from './useCloseUp.ts'

/** How high the window is at least and at most, in points. */
const HEIGHT = { least: 22, most: 110 }
/** After a stroke that filled the window, it moves along when nothing was written for this long, in milliseconds. */
const PAUSE = 450
/** How high the part is that one writes in, and its edge above it, in CSS pixels. */
const INSIDE = 164
const EDGE = 34
const WHOLE = INSIDE + EDGE

interface CloseUpProps {
  page: WorksheetPage
  drawn: readonly Drawn[]
  strokes: readonly Stroke[]
  photoUrl: (name: string) => string
  writing: Writing
  closeUp: CloseUpWindow
  /** How the page itself is seen, and the height of its window in CSS pixels. */
  view: View
  room: number
  /** Told how much of the page's window the strip covers from below, in CSS pixels. */
  covers: (height: number) => void
  /** The part of the page that is seen. */
  seen: () => Box
  /** Brings a part of the page in sight. */
  bring: (box: Box) => void
  onClose: () => void
}

/**
 * Part of a line seen large, right under that line: what is written large in it lands small above its edge,
 * and it goes along with the writing.
 */
export function CloseUp(props: CloseUpProps) {
  const { page, drawn, strokes, photoUrl, writing, closeUp, view, room, covers, seen, bring, onClose } = props
  const inside = useRef<HTMLDivElement>(null)
  const [width, setWidth] = useState(0)
  const { window } = closeUp
  const lineStart = useRef(window.x)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const latest = useRef(closeUp)
  latest.current = closeUp

  // Measured before it is seen: its edge would jump.
  useLayoutEffect(() => {
    const measure = () => {
      const wide = inside.current!.clientWidth
      setWidth(wide)
      latest.current.shape(latest.current.window.height, wide / INSIDE)
    }
    measure()
    const watch = new ResizeObserver(measure)
    watch.observe(inside.current!)
    return () => watch.disconnect()
  }, [])
  useEffect(() => {
    covers(WHOLE)
    return () => {
      covers(0)
      clearTimeout(timer.current)
    }
  }, [covers])
  // Opened, and on every other page.
  // biome-ignore lint/correctness/useExhaustiveDependencies: where one wrote last counts when it opens
  useEffect(() => {
    const own = strokes.filter(writing.mayTake).map((stroke) => strokePath(stroke).bounds)
    const begin = beginAt(page, own, seen(), window.height)
    lineStart.current = begin.lineStart
    closeUp.move(begin)
  }, [page.id])

  // What is written large is seen where it lands, too.
  // biome-ignore lint/correctness/useExhaustiveDependencies: when the window moves, not when the page does
  useEffect(() => bring(window), [window])

  const scale = width > 0 ? width / window.width : 1
  const lens = useMemo<View>(
    () => ({ scale, x: -window.x * scale, y: -window.y * scale }),
    [scale, window.x, window.y],
  )
  const keeping = useMemo<Writing>(
    () => ({
      ...writing,
      keep(points: readonly InkPoint[]) {
        writing.keep(points)
        const reached = boundsOf(points).x1
        clearTimeout(timer.current)
        timer.current = setTimeout(() => {
          const { window: now, set } = latest.current
          const next = nextWindow(now, reached, lineStart.current, page)
          if (next !== now) set(next)
        }, PAUSE)
      },
    }),
    [writing, page],
  )
  const size = (height: number) =>
    closeUp.shape(Math.min(HEIGHT.most, Math.max(HEIGHT.least, height)), width / INSIDE)
  const under = toScreen(view, { x: window.x, y: window.y + window.height }).y
  return (
    <section
      aria-label="Write large"
      className="absolute inset-x-0 flex flex-col bg-card shadow-[0_2px_14px_rgb(30_43_58/0.28)]"
      style={{ height: WHOLE, top: Math.max(0, Math.min(room - WHOLE, under)) }}
    >
      <Edge closeUp={closeUp} view={view} page={page} height={EDGE} />
      <div className="flex min-h-0 flex-1">
        <div
          ref={inside}
          className="relative flex min-w-0 flex-1 border-b border-rule"
          // Writing that comes while it waits to move along is not cut off.
          onPointerDownCapture={() => clearTimeout(timer.current)}
        >
          <PageSurface
            page={page}
            drawn={drawn}
            strokes={strokes}
            photoUrl={photoUrl}
            writing={keeping}
            label="A part of the page, seen large"
            finger="writes"
            lens={lens}
            name="close-up"
          />
          <div
            aria-hidden="true"
            className="pointer-events-none absolute inset-x-0 border-t border-dashed border-verdigris/45"
            style={{ top: `${LINE_AT * 100}%` }}
          />
        </div>
        <div className="grid w-[128px] shrink-0 grid-cols-2 content-center gap-1 border-b border-l border-rule px-1.5">
          <StripButton
            icon={CornerDownLeft}
            label="New line"
            onClick={() => closeUp.set(nextLine(window, lineStart.current, page))}
          />
          <StripButton icon={X} label="Close" onClick={onClose} />
          <StripButton icon={Plus} label="Larger" onClick={() => size(window.height / 1.2)} />
          <StripButton icon={Minus} label="Smaller" onClick={() => size(window.height * 1.2)} />
        </div>
      </div>
    </section>
  )
}
