import {
  about,
  after,
  type Bounds,
  between,
  growthOf,
  type Item,
  isThing,
  laid,
  type Point,
  type Similarity,
  still,
  type Thing,
} from '@hand-back/core'
import { RotateCw } from 'lucide-react'
import { type PointerEvent, useRef, useState } from 'react'
import { laidKindOf } from '../kinds/index.ts'
import { toPage, type View } from '../view.ts'
import { LiftedItems } from './LiftedItems.tsx'
import { middleOf } from './usePicking.ts'

interface PickedBoxProps {
  items: readonly Item[]
  bounds: Bounds
  view: View
  photoUrl: (recording: string) => string
  /** Told whether things are in the air: then they are drawn here and nowhere else. */
  onLift: (lifted: boolean) => void
  onMove: (by: Similarity) => void
  /** The one thing that is picked gets another width or height. */
  onReshape: (thing: Thing) => void
  /** Tapped while picked up. */
  onTap: (at: Point) => void
}

/** Less than this many CSS pixels is a tap. */
const TAP = 5
const LEAST_GROWTH = 0.05
/** A turn stops at every quarter when it comes within this many degrees. */
const QUARTER_PULLS = 3

/** What a finger, pen or mouse holds: the box itself, a corner, the turning handle, or a side. */
type Held = 'box' | 'turn' | 'side' | 'foot' | { readonly corner: Point; readonly opposite: Point }

/** The box around what is picked up: drag it, its corners, its turning handle; two fingers do all at once. */
export function PickedBox({
  items,
  bounds,
  view,
  photoUrl,
  onLift,
  onMove,
  onReshape,
  onTap,
}: PickedBoxProps) {
  const [by, setBy] = useState<Similarity>(still)
  const [shape, setShape] = useState<Thing>()
  const [holding, setHolding] = useState(false)
  const fingers = useRef(new Map<number, { from: Point; at: Point }>())
  const held = useRef<Held>('box')
  const settled = useRef<Similarity>(still)
  const far = useRef(false)
  const frame = useRef<HTMLDivElement>(null)
  const only = items.length === 1 && isThing(items[0]!) ? items[0] : undefined

  const place = (event: PointerEvent): Point => {
    const box = frame.current!.closest('[data-surface]')!.getBoundingClientRect()
    return toPage(view, { x: event.clientX - box.left, y: event.clientY - box.top })
  }
  const take = (event: PointerEvent<HTMLElement>, what: Held) => {
    if (event.button !== 0 || fingers.current.size > 1) return
    event.stopPropagation()
    event.currentTarget.setPointerCapture(event.pointerId)
    const at = place(event)
    if (fingers.current.size === 0) {
      held.current = what
      settled.current = still
      far.current = false
    } else settled.current = by
    // With another finger down, both begin from where they are now.
    for (const finger of fingers.current.values()) finger.from = finger.at
    fingers.current.set(event.pointerId, { from: at, at })
    setHolding(true)
  }
  const drag = (event: PointerEvent) => {
    const finger = fingers.current.get(event.pointerId)
    if (!finger) return
    finger.at = place(event)
    const gone = Math.hypot(finger.at.x - finger.from.x, finger.at.y - finger.from.y) * view.scale
    if (!far.current && gone < TAP && fingers.current.size === 1) return
    if (!far.current) onLift(true)
    far.current = true
    if (held.current === 'side' || held.current === 'foot') {
      if (only) setShape(stretched(only, held.current, finger))
    } else setBy(after(settled.current, moveOf([...fingers.current.values()], held.current, bounds)))
  }
  const letGo = (event: PointerEvent) => {
    const finger = fingers.current.get(event.pointerId)
    if (!finger || !fingers.current.delete(event.pointerId)) return
    if (fingers.current.size > 0) {
      settled.current = by
      held.current = 'box'
      for (const other of fingers.current.values()) other.from = other.at
      return
    }
    if (!far.current) onTap(finger.at)
    else if (shape) onReshape(shape)
    else onMove(by)
    giveUp()
  }
  const giveUp = () => {
    fingers.current.clear()
    setBy(still)
    setShape(undefined)
    setHolding(false)
    onLift(false)
  }
  const handlers = (what: Held) => ({
    onPointerDown: (event: PointerEvent<HTMLElement>) => take(event, what),
    onPointerMove: drag,
    onPointerUp: letGo,
    onPointerCancel: giveUp,
  })

  const lifted = by !== still || shape !== undefined
  const corners = cornersIn(bounds)
  const middle = { x: (bounds.x0 + bounds.x1) / 2, y: bounds.y0 }
  const upright = only && !lifted && Math.abs(only.turn % 360) < 0.01
  const sides = upright ? laidKindOf(only).sides : []
  return (
    <>
      {/* A second finger may come down anywhere: what is picked up is often smaller than two of them. */}
      {holding && (
        <div data-takes="all" className="pointer-events-auto absolute inset-0" {...handlers('box')} />
      )}
      {lifted && <LiftedItems items={shape ? [shape] : items} by={by} view={view} photoUrl={photoUrl} />}
      <div
        ref={frame}
        data-takes="all"
        data-testid="picked"
        className="pointer-events-auto absolute cursor-move touch-none border-2 border-dashed border-verdigris"
        style={frameStyle(bounds, by, view)}
        {...handlers('box')}
      />
      {!lifted &&
        corners.map((corner, index) => (
          <Handle
            key={index}
            at={corner}
            view={view}
            cursor={index % 2 === 0 ? 'nwse-resize' : 'nesw-resize'}
            label="corner"
            {...handlers({ corner, opposite: corners[(index + 2) % 4]! })}
          />
        ))}
      {sides.includes('side') && (
        <Handle
          at={{ x: bounds.x1, y: (bounds.y0 + bounds.y1) / 2 }}
          view={view}
          cursor="ew-resize"
          label="side"
          {...handlers('side')}
        />
      )}
      {sides.includes('foot') && (
        <Handle
          at={{ x: (bounds.x0 + bounds.x1) / 2, y: bounds.y1 }}
          view={view}
          cursor="ns-resize"
          label="foot"
          {...handlers('foot')}
        />
      )}
      {!lifted && (
        <div
          data-takes="all"
          data-handle="turn"
          className="pointer-events-auto absolute grid h-11 w-11 -translate-x-1/2 touch-none place-items-center"
          style={{
            left: middle.x * view.scale + view.x,
            top: middle.y * view.scale + view.y - 52,
            cursor: 'grab',
          }}
          {...handlers('turn')}
        >
          <span className="grid h-7 w-7 place-items-center rounded-full border-2 border-verdigris bg-sheet text-verdigris">
            <RotateCw size={15} aria-hidden="true" />
          </span>
        </div>
      )}
    </>
  )
}

interface HandleProps {
  at: Point
  view: View
  cursor: string
  label: string
  onPointerDown: (event: PointerEvent<HTMLElement>) => void
  onPointerMove: (event: PointerEvent) => void
  onPointerUp: (event: PointerEvent) => void
  onPointerCancel: () => void
}

/** Small to the eye, large to a finger. */
function Handle({ at, view, cursor, label, ...handlers }: HandleProps) {
  return (
    <div
      data-takes="all"
      data-handle={label}
      className="pointer-events-auto absolute grid h-11 w-11 -translate-x-1/2 -translate-y-1/2 touch-none place-items-center"
      style={{ left: at.x * view.scale + view.x, top: at.y * view.scale + view.y, cursor }}
      {...handlers}
    >
      <span className="h-3.5 w-3.5 rounded-[3px] border-2 border-verdigris bg-sheet" />
    </div>
  )
}

const cornersIn = ({ x0, y0, x1, y1 }: Bounds): Point[] => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
]

/** What fingers do to what they hold. */
function moveOf(fingers: readonly { from: Point; at: Point }[], held: Held, bounds: Bounds): Similarity {
  const [one, other] = fingers as [{ from: Point; at: Point }, { from: Point; at: Point }?]
  if (other) return between([one.from, other.from], [one.at, other.at])
  if (held === 'turn') {
    const middle = middleOf(bounds)
    const angle = (at: Point) => (Math.atan2(at.y - middle.y, at.x - middle.x) * 180) / Math.PI
    const degrees = angle(one.at) - angle(one.from)
    const quarter = Math.round(degrees / 90) * 90
    return about(middle, 1, Math.abs(degrees - quarter) < QUARTER_PULLS ? quarter : degrees)
  }
  if (typeof held === 'object') {
    const { corner, opposite } = held
    const across = { x: corner.x - opposite.x, y: corner.y - opposite.y }
    const square = across.x ** 2 + across.y ** 2
    const along =
      ((one.at.x - one.from.x) * across.x + (one.at.y - one.from.y) * across.y) / Math.max(1, square)
    return about(opposite, Math.max(LEAST_GROWTH, 1 + along), 0)
  }
  return { ...still, e: one.at.x - one.from.x, f: one.at.y - one.from.y }
}

/** The least that a side leaves, in points. */
const LEAST_SIDE = 12

function stretched(thing: Thing, side: 'side' | 'foot', { from, at }: { from: Point; at: Point }): Thing {
  if (side === 'foot') return { ...thing, height: Math.max(0, thing.height + at.y - from.y) }
  return { ...thing, width: Math.max(LEAST_SIDE, thing.width + at.x - from.x) }
}

function frameStyle(bounds: Bounds, by: Similarity, view: View) {
  const corner = laid({ x: bounds.x0, y: bounds.y0 }, by)
  const { scale } = view
  const { a, b } = by
  return {
    left: 0,
    top: 0,
    width: Math.max(2, (bounds.x1 - bounds.x0) * scale),
    height: Math.max(2, (bounds.y1 - bounds.y0) * scale),
    transformOrigin: '0 0',
    transform: `matrix(${a}, ${b}, ${-b}, ${a}, ${corner.x * scale + view.x}, ${corner.y * scale + view.y})`,
    // The line stays as thin as it is, however much larger things become.
    borderWidth: Math.min(4, 2 / growthOf(by)),
  }
}
