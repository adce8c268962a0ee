import {
  type Box,
  boundsOf,
  type Drawn,
  type InkPoint,
  type Stroke,
  type WorksheetPage,
} from '@hand-back/core'
import { ArrowLeft, ArrowRight, CornerDownLeft, Minus, Plus, X } from 'lucide-react'
import { type PointerEvent, useEffect, useMemo, useRef, useState } from 'react'
import { StripButton } from '../strip/StripButton.tsx'
import { PageSurface } from '../surface/PageSurface.tsx'
import type { Writing } from '../tools/writing.ts'
import { toPage, type View } from '../view/view.ts'
import { nextLine, nextWindow, windowAt } from './closeUp.ts'

/** How high the window is at first, and at least and at most, in points: about two lines of a page. */
const HEIGHT = { usual: 44, least: 22, most: 110 }
/** After a stroke that filled the window, it moves along when nothing was written for this long, in milliseconds. */
const PAUSE = 450
/** How high the panel is, in CSS pixels. */
const PANEL = 210

/** Where large writing lands, and what moves it. */
export interface CloseUpWindow {
  readonly window: Box
  move(at: { x: number; y: number }): void
  set(window: Box): void
  /** Larger panel or other letters: the same corner, another size. */
  shape(height: number, shape: number): void
}

/** The window of large writing on a page, beginning near what one looks at. */
export function useCloseUp(page: WorksheetPage, begin: () => { x: number; y: number }): CloseUpWindow {
  const [made, setMade] = useState<{ page: string; window: Box; shape: number }>(() => ({
    page: page.id,
    window: windowAt(begin(), HEIGHT.usual, 5, page),
    shape: 5,
  }))
  // On another page it begins at the top left of what is seen there.
  const now =
    made.page === page.id
      ? made
      : { ...made, page: page.id, window: windowAt(begin(), made.window.height, made.shape, page) }
  if (now !== made) setMade(now)
  return useMemo(
    () => ({
      window: now.window,
      move: (at) => setMade({ ...now, window: windowAt(at, now.window.height, now.shape, page) }),
      set: (window) => setMade({ ...now, window }),
      shape: (height, shape) => setMade({ ...now, shape, window: windowAt(now.window, height, shape, page) }),
    }),
    [now, page],
  )
}

interface CloseUpProps {
  page: WorksheetPage
  drawn: readonly Drawn[]
  strokes: readonly Stroke[]
  photoUrl: (name: string) => string
  writing: Writing
  closeUp: CloseUpWindow
  onClose: () => void
}

/** A strip of the page seen large: what is written large lands small on its line, and the strip moves along. */
export function CloseUp({ page, drawn, strokes, photoUrl, writing, closeUp, onClose }: CloseUpProps) {
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

interface CloseUpFrameProps {
  closeUp: CloseUpWindow
  view: View
}

/** Where the strip is on the page: drag it to write somewhere else. */
export function CloseUpFrame({ closeUp, view }: CloseUpFrameProps) {
  const { window } = closeUp
  const from = useRef<{ x: number; y: number }>(undefined)
  const place = (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.closest('[data-surface]')!.getBoundingClientRect()
    return toPage(view, { x: event.clientX - box.left, y: event.clientY - box.top })
  }
  return (
    <div
      data-takes="all"
      data-testid="close-up-frame"
      className="pointer-events-auto absolute cursor-move touch-none border-2 border-verdigris bg-verdigris/5"
      style={{
        left: window.x * view.scale + view.x,
        top: window.y * view.scale + view.y,
        width: window.width * view.scale,
        height: window.height * view.scale,
      }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        const at = place(event)
        from.current = { x: at.x - window.x, y: at.y - window.y }
      }}
      onPointerMove={(event) => {
        if (!from.current) return
        const at = place(event)
        closeUp.move({ x: at.x - from.current.x, y: at.y - from.current.y })
      }}
      onPointerUp={() => {
        from.current = undefined
      }}
      onPointerCancel={() => {
        from.current = undefined
      }}
    />
  )
}
