import {
  type Box,
  boundsOf,
  type Drawn,
  type InkPoint,
  type Stroke,
  type WorksheetPage,
} from '@hand-back/core'
import { ArrowLeft, ArrowRight, CornerDownLeft, Minus, Plus, X } from 'lucide-react'
import { useEffect, useMemo, useRef, useState } from 'react'
import { strokePath } from '../draw/strokePath.ts'
import { StripButton } from '../strip/StripButton.tsx'
import { PageSurface } from '../surface/PageSurface.tsx'
import type { Writing } from '../tools/writing.ts'
import type { View } from '../view/view.ts'
import { beginAt, nextLine, nextWindow } from './closeUp.ts'
import type { CloseUpWindow } from './useCloseUp.ts'

/** How high the window is at least and at most, in points. */
const HEIGHT = { least: 22, most: 110 }
/** After a stroke that filled the window, it moves along when nothing was written for this long, in milliseconds. */
const PAUSE = 450
/** How high the panel is, in CSS pixels. */
const PANEL = 210

interface CloseUpProps {
  page: WorksheetPage
  drawn: readonly Drawn[]
  strokes: readonly Stroke[]
  photoUrl: (name: string) => string
  writing: Writing
  closeUp: CloseUpWindow
  /** The part of the page that is seen. */
  seen: () => Box
  /** Brings a part of the page in sight. */
  bring: (box: Box) => void
  onClose: () => void
}

/** A strip of the page seen large: what is written large lands small on its line, and the strip moves along. */
export function CloseUp({
  page,
  drawn,
  strokes,
  photoUrl,
  writing,
  closeUp,
  seen,
  bring,
  onClose,
}: CloseUpProps) {
  const panel = useRef<HTMLDivElement>(null)
  const [width, setWidth] = useState(0)
  const { window } = closeUp
  const lineStart = useRef(window.x)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const latest = useRef(closeUp)
  latest.current = closeUp

  useEffect(() => {
    const watch = new ResizeObserver(() => {
      const wide = panel.current!.clientWidth
      setWidth(wide)
      latest.current.shape(latest.current.window.height, wide / PANEL)
    })
    watch.observe(panel.current!)
    return () => watch.disconnect()
  }, [])
  useEffect(() => () => clearTimeout(timer.current), [])
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
  const along = (by: number) => closeUp.move({ x: window.x + window.width * by, y: window.y })
  return (
    <section
      aria-label="Write large"
      className="flex shrink-0 border-t-2 border-verdigris bg-card"
      style={{ height: PANEL }}
    >
      <div
        ref={panel}
        className="relative flex min-w-0 flex-1"
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
        <Guide />
      </div>
      <div className="grid w-[132px] grid-cols-2 content-center gap-1 border-l border-rule px-1.5">
        <StripButton icon={ArrowLeft} label="Back" onClick={() => along(-0.5)} />
        <StripButton icon={ArrowRight} label="On" onClick={() => along(0.5)} />
        <StripButton
          icon={Plus}
          label="Larger"
          onClick={() => closeUp.shape(Math.max(HEIGHT.least, window.height / 1.2), width / PANEL)}
        />
        <StripButton
          icon={Minus}
          label="Smaller"
          onClick={() => closeUp.shape(Math.min(HEIGHT.most, window.height * 1.2), width / PANEL)}
        />
        <StripButton
          icon={CornerDownLeft}
          label="New line"
          onClick={() => closeUp.set(nextLine(window, lineStart.current, page))}
        />
        <StripButton icon={X} label="Close" onClick={onClose} />
      </div>
    </section>
  )
}

/** A line to write on, two thirds down, and where the strip will move along. */
function Guide() {
  return (
    <div aria-hidden="true" className="pointer-events-none absolute inset-0">
      <div className="absolute top-[68%] right-0 left-0 border-t border-dashed border-verdigris/45" />
      <div className="absolute top-0 right-0 bottom-0 w-[30%] bg-verdigris/5" />
    </div>
  )
}
