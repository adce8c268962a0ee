import {
  around,
  type Box,
  fitHeight,
  type Handle,
  handlePlace,
  itemAt,
  meet,
  moveItem,
  type PrintedItem,
  resizeItem,
  type SnapGuide,
  type SnapLines,
  snapLines,
  snapMove,
  snapSides,
  type WorksheetPage,
} from '@hand-back/core'
import { type PointerEvent, useRef, useState } from 'react'
import { useStore } from 'zustand'
import { measure } from '../../page/draw/letters.ts'
import { toPage, type View } from '../../page/view.ts'
import { GuideLines, Lifted, PickFrame, QuestionAreas } from './HoldMarks.tsx'
import { boxBetween, putDown } from './putDown.ts'
import { pickedOf, type SheetStore } from './sheetStore.ts'

/** What a pointer that is down does. */
type Doing =
  | { readonly what: 'move'; readonly items: readonly PrintedItem[]; readonly lines: SnapLines }
  | {
      readonly what: 'resize'
      readonly item: PrintedItem
      readonly handle: Handle
      readonly lines: SnapLines
    }
  | { readonly what: 'box' }
  | { readonly what: 'place' }

interface Hold {
  readonly doing: Doing
  readonly from: { readonly x: number; readonly y: number }
  readonly to: { readonly x: number; readonly y: number }
  /** Snapped. */
  readonly dx: number
  readonly dy: number
  readonly guides: readonly SnapGuide[]
  readonly moved: boolean
}

/** How near a line snaps, how far a press may slip, and how near a thin thing is hit, in CSS pixels. */
const REACH = 6
const SLIP = 3
const NEAR = 5

interface HoldProps {
  store: SheetStore
  page: WorksheetPage
  view: View
  /** Told which things are in the hand, so that the page leaves them out. */
  onLift: (ids: ReadonlySet<string>) => void
}

const NONE: ReadonlySet<string> = new Set()

/** What lies over the page in preparation: it picks, moves, resizes and puts down things, by mouse, pen or finger. */
export function HoldLayer({ store, page, view, onLift }: HoldProps) {
  const preparing = useStore(store.view)
  const { placing } = preparing
  const picked = pickedOf(preparing)
  const [hold, setHold] = useState<Hold>()
  const area = useRef<HTMLDivElement>(null)
  const held = hold ? inHand(hold) : []

  const at = (event: PointerEvent) => {
    const host = area.current!.parentElement!.getBoundingClientRect()
    return toPage(view, { x: event.clientX - host.left, y: event.clientY - host.top })
  }
  const begin = (event: PointerEvent, doing: Doing) => {
    event.preventDefault()
    area.current!.setPointerCapture(event.pointerId)
    area.current!.focus({ preventScroll: true })
    const from = at(event)
    setHold({ doing, from, to: from, dx: 0, dy: 0, guides: [], moved: false })
  }
  const others = (ids: ReadonlySet<string>) =>
    snapLines(
      page,
      page.printed.filter(({ id }) => !ids.has(id)),
    )

  const down = (event: PointerEvent) => {
    if (event.button !== 0) return
    if (placing) return begin(event, { what: 'place' })
    const item = itemAt(page.printed, at(event), NEAR / view.scale)
    const adds = event.shiftKey || event.ctrlKey || event.metaKey
    if (!item) {
      if (!adds) store.pick([])
      return begin(event, { what: 'box' })
    }
    let ids = preparing.picked
    if (adds) ids = new Set(ids.has(item.id) ? [...ids].filter((id) => id !== item.id) : [...ids, item.id])
    else if (!ids.has(item.id)) ids = new Set([item.id])
    if (ids !== preparing.picked) store.pick(ids)
    const items = page.printed.filter(({ id, locked }) => ids.has(id) && !locked)
    begin(event, { what: 'move', items, lines: others(ids) })
  }
  const move = (event: PointerEvent) => {
    if (!hold) return
    const to = at(event)
    const far = Math.hypot(to.x - hold.from.x, to.y - hold.from.y) * view.scale > SLIP
    if (!hold.moved && !far) return
    if (!hold.moved) onLift(new Set(inHand(hold).map(({ id }) => id)))
    const reach = event.altKey ? 0 : REACH / view.scale
    setHold({ ...hold, to, moved: true, ...snapped(hold, to, reach) })
  }
  const letGo = () => {
    setHold(undefined)
    onLift(NONE)
  }
  const up = () => {
    if (!hold) return
    finish(store, page, hold)
    letGo()
  }

  const drag = hold?.moved && (hold.doing.what === 'box' || hold.doing.what === 'place')
  return (
    <>
      <div
        ref={area}
        data-takes="one"
        data-testid="preparing"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: keys act on what is picked
        tabIndex={0}
        role="application"
        aria-label="Things on this page. Tab goes through them, arrow keys move what is picked."
        className="pointer-events-auto absolute touch-none outline-none focus-visible:outline-2 focus-visible:outline-verdigris"
        style={{
          left: view.x,
          top: view.y,
          width: page.width * view.scale,
          height: page.height * view.scale,
          cursor: placing ? 'crosshair' : 'default',
        }}
        onPointerDown={down}
        onPointerMove={move}
        onPointerUp={up}
        onPointerCancel={letGo}
        // A second finger took the first along to move the page; after a press that ended it changes nothing.
        onLostPointerCapture={letGo}
      />
      <QuestionAreas store={store} page={page} view={view} />
      {hold?.moved && held.length > 0 && (
        <Lifted items={held} dx={shiftOf(hold).x} dy={shiftOf(hold).y} view={view} />
      )}
      {!(hold?.moved && hold.doing.what === 'move') &&
        (hold?.moved ? held : picked).map((item) => (
          <PickFrame
            key={item.id}
            item={item}
            view={view}
            handles={picked.length === 1 && !item.locked}
            onHandle={(event, handle) =>
              begin(event, { what: 'resize', item, handle, lines: others(new Set([item.id])) })
            }
          />
        ))}
      {hold && <GuideLines guides={hold.guides} view={view} />}
      {drag && <DragBox box={boxBetween(hold.from, hold.to)} view={view} />}
    </>
  )
}

function DragBox({ box, view }: { box: Box; view: View }) {
  return (
    <div
      className="pointer-events-none absolute border border-verdigris bg-verdigris/10"
      style={{
        left: view.x + box.x * view.scale,
        top: view.y + box.y * view.scale,
        width: box.width * view.scale,
        height: box.height * view.scale,
      }}
    />
  )
}

/** The things in the hand: those moved as they were, the one resized as it is now. */
function inHand({ doing, dx, dy }: Hold): readonly PrintedItem[] {
  if (doing.what === 'move') return doing.items
  return doing.what === 'resize' ? [fitHeight(resizeItem(doing.item, doing.handle, dx, dy), measure)] : []
}

function shiftOf(hold: Hold): { x: number; y: number } {
  return hold.doing.what === 'move' ? { x: hold.dx, y: hold.dy } : { x: 0, y: 0 }
}

function snapped({ doing, from }: Hold, to: { x: number; y: number }, reach: number) {
  const dx = to.x - from.x
  const dy = to.y - from.y
  const none = { dx, dy, guides: [] }
  if (doing.what === 'move' && doing.items.length > 0) {
    const box = around(doing.items)
    const snap = snapMove({ ...box, x: box.x + dx, y: box.y + dy }, doing.lines, reach)
    return { dx: dx + snap.dx, dy: dy + snap.dy, guides: snap.guides }
  }
  if (doing.what !== 'resize') return none
  const { handle } = doing
  const place = handlePlace(doing.item, handle)
  const ends = handle === 'start' || handle === 'end'
  const sides = {
    x: ends || /[ew]/.test(handle) ? place.x + dx : undefined,
    y: ends || /[ns]/.test(handle) ? place.y + dy : undefined,
  }
  const snap = snapSides(sides, doing.lines, reach)
  return { dx: dx + snap.dx, dy: dy + snap.dy, guides: snap.guides }
}

function finish(store: SheetStore, page: WorksheetPage, hold: Hold): void {
  const { doing, from, to, dx, dy, moved } = hold
  switch (doing.what) {
    case 'place':
      putDown(store, page, from, moved ? to : from)
      return
    case 'box': {
      const box = boxBetween(from, to)
      if (moved) store.pick(page.printed.filter((item) => meet(box, item)).map(({ id }) => id))
      return
    }
    case 'move':
      if (moved) store.changeItems(new Set(doing.items.map(({ id }) => id)), (item) => moveItem(item, dx, dy))
      return
    case 'resize':
      if (moved) store.changeItems(new Set([doing.item.id]), (item) => resizeItem(item, doing.handle, dx, dy))
  }
}
