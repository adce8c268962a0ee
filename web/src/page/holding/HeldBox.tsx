import {
  type Bounds,
  type Boxed,
  boxOfBounds,
  type Drawn,
  type Handle,
  handlePlace,
  handlesOf,
  type Point,
  type Similarity,
  similarity,
  type Turned,
  turning,
} from '@hand-back/core'
import { RotateCw } from 'lucide-react'
import { type PointerEvent, useMemo } from 'react'
import type { Bitmaps } from '../draw/paint.ts'
import { toScreen, type View } from '../view/view.ts'
import { GuideLines } from './GuideLines.tsx'
import { type Grip, middleOf } from './grips.ts'
import { Lifted } from './Lifted.tsx'
import type { Hold, Holdable } from './useHold.ts'

interface HeldBoxProps {
  held: Holdable
  hold: Hold
  view: View
  /** What is in the air, as it looks; `shaped`: the one thing in another size. */
  drawnOf: (shaped: Boxed | undefined) => { readonly drawn: readonly Drawn[]; readonly bounds: Bounds }
  bitmaps: Bitmaps
  /** It can be turned. */
  turns: boolean
  /** The box itself takes pointers; otherwise what lies under it does, and only its handles are taken. */
  open?: boolean
}

/** The box around what is picked: drag it, its handles, what turns it; two fingers do all at once. */
export function HeldBox({ held, hold, view, drawnOf, bitmaps, turns, open = false }: HeldBoxProps) {
  const { bounds, only } = held
  const handlers = (grip: Grip) => ({
    onPointerDown: (event: PointerEvent<HTMLElement>) => hold.take(event, grip),
    onPointerMove: hold.drag,
    onPointerUp: hold.letGo,
    onPointerCancel: hold.giveUp,
  })
  const { lifted, shaped } = hold
  const air = useMemo(() => (lifted ? drawnOf(shaped) : undefined), [lifted, shaped, drawnOf])
  const frame: Turned = shaped ?? only ?? boxOfBounds(bounds)
  const corners = cornersIn(bounds)
  const centre = toScreen(view, middleOf(bounds))
  const top = { x: (bounds.x0 + bounds.x1) / 2, y: bounds.y0 }
  return (
    <>
      {/* A second finger may come down anywhere: what is picked is often smaller than two of them. */}
      {hold.holding && !open && (
        <div
          data-takes="all"
          className="pointer-events-auto absolute inset-0"
          {...handlers({ what: 'box' })}
        />
      )}
      {air && <Lifted {...air} by={hold.by} view={view} bitmaps={bitmaps} />}
      <div
        data-takes={open ? undefined : 'all'}
        data-testid="picked"
        className={`absolute touch-none border-2 border-dashed border-verdigris ${open ? 'pointer-events-none' : 'pointer-events-auto cursor-move'}`}
        style={frameStyle(frame, hold.by, view)}
        {...(open ? {} : handlers({ what: 'box' }))}
      >
        {/* What is smaller than a fingertip is held around itself too. */}
        {!open && (
          <span className="absolute top-1/2 left-1/2 h-full min-h-[22px] w-full min-w-[22px] -translate-x-1/2 -translate-y-1/2 pointer-coarse:min-h-11 pointer-coarse:min-w-11" />
        )}
      </div>
      {!lifted &&
        (only
          ? handlesFor(only, view).map((handle) => (
              <HandleSign
                key={handle}
                at={outside(toScreen(view, handlePlace(only, handle)), centre, handle)}
                cursor={cursorOf(handle)}
                name={handle}
                {...handlers({ what: 'handle', handle })}
              />
            ))
          : corners.map((corner, index) => (
              <HandleSign
                key={index}
                at={outside(toScreen(view, corner), centre, CORNERS[index]!)}
                cursor={index % 2 === 0 ? 'nwse-resize' : 'nesw-resize'}
                name="corner"
                {...handlers({ what: 'corner', corner, opposite: corners[(index + 2) % 4]! })}
              />
            )))}
      {!lifted && turns && (
        <div
          data-takes="all"
          data-handle="turn"
          className="pointer-events-auto absolute grid h-11 w-11 -translate-x-1/2 cursor-grab touch-none place-items-center"
          style={{ left: toScreen(view, top).x, top: toScreen(view, top).y - 52 }}
          {...handlers({ what: 'turn' })}
        >
          <span className="grid h-7 w-7 place-items-center rounded-full border-2 border-verdigris bg-sheet text-verdigris">
            <RotateCw size={15} aria-hidden="true" />
          </span>
        </div>
      )}
      <GuideLines guides={hold.guides} view={view} />
    </>
  )
}

interface HandleSignProps {
  at: Point
  cursor: string
  name: string
  onPointerDown: (event: PointerEvent<HTMLElement>) => void
  onPointerMove: (event: PointerEvent) => void
  onPointerUp: (event: PointerEvent) => void
  onPointerCancel: () => void
}

/** Small to the eye, large to a finger; a mouse needs less, and small things have much beside each other. */
function HandleSign({ at, cursor, name, ...handlers }: HandleSignProps) {
  const round = name === 'start' || name === 'end' || name.length === 1
  return (
    <div
      data-takes="all"
      data-handle={name}
      className="pointer-events-auto absolute grid h-[26px] w-[26px] -translate-x-1/2 -translate-y-1/2 touch-none place-items-center pointer-coarse:h-11 pointer-coarse:w-11"
      style={{ left: at.x, top: at.y, cursor }}
      {...handlers}
    >
      <span
        className={`h-3.5 w-3.5 border-2 border-verdigris bg-sheet ${round ? 'rounded-full' : 'rounded-[3px]'}`}
      />
    </div>
  )
}

const CORNERS = ['nw', 'ne', 'se', 'sw'] as const

/**
 * Where a handle stands: at its place, but never so near the middle (CSS pixels) that what it belongs to could
 * not be taken hold of between the handles.
 */
function outside(at: Point, centre: Point, handle: Handle): Point {
  const apart = COARSE.matches ? 44 : 24
  const push = (place: number, middle: number, low: boolean, high: boolean) =>
    low || high ? middle + (low ? -1 : 1) * Math.max(apart, Math.abs(place - middle)) : place
  if (handle === 'start' || handle === 'end')
    return {
      x: push(at.x, centre.x, at.x < centre.x, at.x > centre.x),
      y: push(at.y, centre.y, at.y < centre.y, at.y > centre.y),
    }
  return {
    x: push(at.x, centre.x, handle.includes('w'), handle.includes('e')),
    y: push(at.y, centre.y, handle.includes('n'), handle.includes('s')),
  }
}

/** A fingertip is so wide, in CSS pixels: middles of shorter sides would cover what they belong to. */
const FINGERTIPS = 96
const COARSE = matchMedia('(pointer: coarse)')

/** The handles of a thing. For fingers, small things that their corners reshape freely have no others. */
function handlesFor(only: Boxed, { scale }: View): Handle[] {
  const handles = handlesOf(only)
  if (!COARSE.matches || !handles.includes('n')) return handles
  const long = (side: number) => side * scale >= FINGERTIPS
  return handles.filter(
    (handle) => handle.length > 1 || long(handle === 'n' || handle === 's' ? only.width : only.height),
  )
}

const cursorOf = (handle: Handle): string =>
  handle === 'start' || handle === 'end' ? 'move' : `${handle}-resize`

const cornersIn = ({ x0, y0, x1, y1 }: Bounds): Point[] => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
]

function frameStyle(frame: Turned, by: Similarity, { scale, x, y }: View) {
  const lies = similarity.compose(turning(frame), by)
  const corner = similarity.apply({ x: frame.x, y: frame.y }, lies)
  const { a, b } = lies
  return {
    left: 0,
    top: 0,
    width: Math.max(2, frame.width * scale),
    height: Math.max(2, frame.height * scale),
    transformOrigin: '0 0',
    transform: `matrix(${a}, ${b}, ${-b}, ${a}, ${corner.x * scale + x}, ${corner.y * scale + y})`,
    // The line stays as thin as it is, however much larger things become.
    borderWidth: Math.min(4, 2 / similarity.scaleOf(by)),
  }
}
