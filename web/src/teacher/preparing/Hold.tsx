import {
  around,
  type Box,
  type Boxed,
  boundsOfBox,
  boxBetween,
  canTurn,
  itemAt,
  layItem,
  meet,
  type Point,
  type PrintedItem,
  resizeItem,
  seenBox,
  snapLines,
  type WorksheetPage,
} from '@hand-back/core'
import { type PointerEvent, useCallback, useRef, useState } from 'react'
import { useStore } from 'zustand'
import { bitmapsFor } from '../../page/draw/bitmaps.ts'
import { HeldBox } from '../../page/holding/HeldBox.tsx'
import { type Holdable, placeOf, useHold } from '../../page/holding/useHold.ts'
import { toScreen, type View } from '../../page/view/view.ts'
import { drawnOf } from './drawnOf.ts'
import { sayMore } from './preparingKeys.ts'
import { putDown } from './putDown.ts'
import { QuestionAreas } from './QuestionAreas.tsx'
import { pickedOf, type SheetStore } from './sheetStore.ts'

/** How far a press may slip, and how near a thin thing is hit, in CSS pixels. */
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
const BITMAPS = bitmapsFor()

/** What lies over the page in preparation: it picks, moves, resizes and puts down things, by mouse, pen or finger. */
export function HoldLayer({ store, page, view, onLift }: HoldProps) {
  const preparing = useStore(store.view)
  const { placing } = preparing
  const picked = pickedOf(preparing)
  const free = picked.filter(({ locked }) => !locked)
  const held = free.length > 0 ? holdable(store, page, free, onLift) : undefined
  const hold = useHold(held, view)
  /** A box that is drawn: around what is to be picked, or where something is put down. */
  const [drawn, setDrawn] = useState<{ from: Point; to: Point; far: boolean }>()
  const area = useRef<HTMLDivElement>(null)

  const down = (event: PointerEvent<HTMLElement>) => {
    if (event.button !== 0) return
    event.preventDefault()
    area.current!.focus({ preventScroll: true })
    const at = placeOf(event, view)
    const item = placing ? undefined : itemAt(page.printed, at, NEAR / view.scale)
    const adds = event.shiftKey || event.ctrlKey || event.metaKey
    if (item) {
      pick(item, adds)
      hold.take(event, { what: 'box' })
      return
    }
    if (!placing && !adds) store.pick([])
    event.currentTarget.setPointerCapture(event.pointerId)
    setDrawn({ from: at, to: at, far: false })
  }
  const pick = ({ id }: PrintedItem, adds: boolean) => {
    const { picked: before } = preparing
    if (adds) store.pick(before.has(id) ? [...before].filter((each) => each !== id) : [...before, id])
    else if (!before.has(id)) store.pick([id])
  }
  const move = (event: PointerEvent) => {
    if (!drawn) return hold.drag(event)
    const to = placeOf(event, view)
    const gone = Math.hypot(to.x - drawn.from.x, to.y - drawn.from.y) * view.scale
    setDrawn({ ...drawn, to, far: drawn.far || gone > SLIP })
  }
  const up = (event: PointerEvent) => {
    if (!drawn) return hold.letGo(event)
    const { from, to, far } = drawn
    const box = boxBetween(from, to)
    if (placing) putDown(store, page, from, far ? to : from)
    else if (far) store.pick(page.printed.filter((item) => meet(box, seenBox(item))).map(({ id }) => id))
    setDrawn(undefined)
  }
  const giveUp = () => {
    setDrawn(undefined)
    hold.giveUp()
  }
  const looks = useLooks(free)
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
        style={{ ...placed(page, { x: 0, y: 0 }, view), cursor: placing ? 'crosshair' : 'default' }}
        onPointerDown={down}
        onPointerMove={move}
        onPointerUp={up}
        onPointerCancel={giveUp}
        onDoubleClick={() => void (!placing && sayMore())}
        // A second finger took the first along to move the page; after a press that ended it changes nothing.
        onLostPointerCapture={giveUp}
      />
      <QuestionAreas store={store} page={page} view={view} />
      {!hold.lifted && picked.length > (held?.only ? 1 : 0) && <Outlines items={picked} view={view} />}
      {held && (
        <HeldBox
          held={held}
          hold={hold}
          view={view}
          drawnOf={looks}
          bitmaps={BITMAPS}
          turns={free.every(canTurn)}
          open
        />
      )}
      {drawn?.far && (
        <div
          className="pointer-events-none absolute border border-verdigris bg-verdigris/10"
          style={placed(boxBetween(drawn.from, drawn.to), boxBetween(drawn.from, drawn.to), view)}
        />
      )}
    </>
  )
}

/** Printed things that are picked and not locked, as they are held. */
function holdable(
  store: SheetStore,
  page: WorksheetPage,
  items: readonly PrintedItem[],
  onLift: (ids: ReadonlySet<string>) => void,
): Holdable {
  const ids = new Set(items.map(({ id }) => id))
  const edges = around(items.map(seenBox))
  return {
    bounds: boundsOfBox(edges),
    edges,
    only: items.length === 1 ? items[0] : undefined,
    lines: () => snapLines(page, page.printed.filter(({ id }) => !ids.has(id)).map(seenBox)),
    lift: (lifted) => onLift(lifted ? ids : NONE),
    move: (by) => store.changeItems(ids, (item) => layItem(item, by)),
    reshape: (handle, dx, dy) => store.changeItems(ids, (item) => resizeItem(item, handle, dx, dy)),
  }
}

/** What is in the hand, as it looks; the same as long as it is the same. */
function useLooks(free: readonly PrintedItem[]) {
  const now = useRef(free)
  now.current = free
  return useCallback((shaped: Boxed | undefined) => {
    const items = shaped ? [shaped as PrintedItem] : now.current
    return { drawn: items.flatMap(drawnOf), bounds: boundsOfBox(around(items.map(seenBox))) }
  }, [])
}

/** Each of several things that are picked, and what is picked and locked. */
function Outlines({ items, view }: { items: readonly PrintedItem[]; view: View }) {
  return items.map((item) => (
    <div
      key={item.id}
      className="pointer-events-none absolute outline-1 outline-offset-1 outline-ink"
      style={{ ...placed(item, item, view), rotate: `${('turn' in item && item.turn) || 0}deg` }}
    />
  ))
}

/** Where a box lies on the screen. */
function placed({ width, height }: Pick<Box, 'width' | 'height'>, at: Point, view: View) {
  const { x, y } = toScreen(view, at)
  return { left: x, top: y, width: width * view.scale, height: height * view.scale }
}
