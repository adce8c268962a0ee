import type { Drawn, Stroke, WorksheetPage } from '@hand-back/core'
import { HIGHLIGHTER_OPACITY } from '@hand-back/core'
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react'
import { readNote, writeNote } from '../../deviceNotes.ts'
import { bitmapsFor } from '../draw/bitmaps.ts'
import type { Unseen } from '../draw/PaperCanvas.ts'
import { TOOLS } from '../tools/index.ts'
import type { Finger, Writing } from '../tools/writing.ts'
import type { View } from '../view/view.ts'
import { PageRun, type Running } from './PageRun.tsx'
import { Surface } from './Surface.ts'

interface PageSurfaceProps {
  page: WorksheetPage
  /** What is printed on the page and answered there. */
  drawn: readonly Drawn[]
  strokes: readonly Stroke[]
  /** Where the photos of a copy are to be had. */
  photoUrl?: (name: string) => string
  /** Left out: only to read. */
  writing: Writing | undefined
  label: string
  finger?: Finger
  /** Holds the view still. */
  lens?: View
  /** Pages one under another; left out: one by one. */
  running?: Running | undefined
  /** What tests and styles know it by. */
  name?: string
  /** Told the surface once it is there, for buttons and keys that move the view. */
  onSurface?: (surface: Surface | undefined) => void
  /** Told what one sees of the page, and how large the window is. */
  onView?: (view: View, window: { width: number; height: number }) => void
  /** What lies on the page besides ink, placed by the view. */
  children?: (view: View) => ReactNode
  /** What lies over the window of the page and takes presses for itself, placed by the view and the window's height. */
  over?: ((view: View, room: number) => ReactNode) | undefined
}

const PEN_SEEN = 'pen seen'

/** The page one writes on, in React. */
export function PageSurface({
  page,
  drawn,
  strokes,
  photoUrl,
  writing,
  label,
  finger = 'until pen',
  lens,
  running,
  name = 'page',
  onSurface,
  onView,
  children,
  over,
}: PageSurfaceProps) {
  const host = useRef<HTMLDivElement>(null)
  const surface = useRef<Surface | null>(null)
  const [view, setView] = useState<View>({ scale: 1, x: 0, y: 0 })
  const runningNow = useRef(running)
  runningNow.current = running
  const [unseen, setUnseen] = useState<Unseen>()

  useEffect(() => {
    const canvas = (name: string) => host.current!.querySelector<HTMLCanvasElement>(`[data-layer=${name}]`)!
    const made = new Surface(
      host.current!,
      {
        stage: host.current!.querySelector<HTMLElement>('[data-layer=stage]')!,
        paper: canvas('paper'),
        highlighter: canvas('highlighter'),
        ink: canvas('ink'),
        wet: canvas('wet'),
      },
      {
        viewChanged: setView,
        paperUnseen: setUnseen,
        penSeen: () => writeNote(PEN_SEEN, 'yes'),
        ranOn: (by) => runningNow.current?.onRunOn(by),
      },
      readNote(PEN_SEEN) === 'yes',
    )
    surface.current = made
    onSurface?.(made)
    return () => {
      surface.current = null
      onSurface?.(undefined)
      made.close()
    }
  }, [onSurface])

  useEffect(() => surface.current?.showPage(page), [page])
  const { before, after } = running ?? {}
  const runs = running !== undefined
  useEffect(() => {
    if (surface.current) surface.current.run = runs ? { before, after } : undefined
  }, [runs, before, after])
  const bitmaps = useMemo(() => bitmapsFor(photoUrl), [photoUrl])
  useEffect(() => surface.current?.showDrawn(drawn, bitmaps), [drawn, bitmaps])
  useEffect(() => surface.current?.showStrokes(strokes), [strokes])
  useEffect(() => {
    if (surface.current) surface.current.writing = writing
  }, [writing])

  useEffect(() => {
    if (surface.current) surface.current.finger = finger
  }, [finger])

  useEffect(() => {
    if (surface.current) surface.current.lens = lens
  }, [lens])

  useEffect(() => {
    const { clientWidth: width, clientHeight: height } = host.current!
    onView?.(view, { width, height })
  }, [view, onView])

  const cursor = writing ? TOOLS[writing.tool].cursor : 'grab'
  return (
    <div className="relative min-w-0 flex-1 overflow-clip bg-blotter select-none">
      <div
        ref={host}
        className="absolute inset-0 overflow-clip"
        style={{ cursor }}
        data-scale={view.scale.toFixed(4)}
        data-x={view.x.toFixed(1)}
        data-y={view.y.toFixed(1)}
        data-testid={name}
        data-surface
      >
        {running ? (
          <PageRun page={page} view={view} running={running} />
        ) : (
          <div
            className="absolute bg-sheet shadow-[0_2px_14px_rgb(30_43_58/0.16)]"
            style={{
              left: view.x,
              top: view.y,
              width: page.width * view.scale,
              height: page.height * view.scale,
            }}
          />
        )}
        {/* A layer of its own: moving it draws nothing anew. */}
        <div
          data-layer="stage"
          role="img"
          aria-label={label}
          className="absolute inset-0 will-change-transform"
        >
          <canvas data-layer="paper" className="absolute inset-0" />
          <canvas
            data-layer="highlighter"
            className="absolute inset-0 mix-blend-multiply"
            style={{ opacity: HIGHLIGHTER_OPACITY }}
          />
          <canvas data-layer="ink" className="absolute inset-0" />
        </div>
        <canvas data-layer="wet" className="pointer-events-none absolute inset-0" />
        {children && (
          <div className="pointer-events-none absolute inset-0 overflow-clip">{children(view)}</div>
        )}
      </div>
      {over?.(view, host.current?.clientHeight ?? 0)}
      {unseen && <UnseenPaper why={unseen} />}
    </div>
  )
}

/** Says why the paper is not to be seen; its coming only after a moment, so that quick ones do not flash. */
function UnseenPaper({ why }: { why: NonNullable<Unseen> }) {
  const coming = why === 'coming'
  return (
    <p
      role={coming ? 'status' : 'alert'}
      className={`pointer-events-none absolute top-3 left-1/2 -translate-x-1/2 rounded-tag border border-rule bg-card px-4 py-2 ${
        coming ? 'animate-[appear_0s_0.4s_both] text-ink-soft' : ''
      }`}
    >
      {WHY_UNSEEN[why]} {coming ? '' : 'What you write is kept all the same.'}
    </p>
  )
}

const WHY_UNSEEN: Record<NonNullable<Unseen>, string> = {
  coming: 'The printed page is on its way.',
  away: 'The printed page cannot be fetched just now.',
  heavy: 'The printed page is too heavy for this device to draw.',
}
