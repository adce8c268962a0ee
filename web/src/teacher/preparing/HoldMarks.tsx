import {
  around,
  type Handle,
  handlePlace,
  handlesOf,
  type PrintedItem,
  type SnapGuide,
  type WorksheetPage,
} from '@hand-back/core'
import { type PointerEvent, useEffect, useRef } from 'react'
import { useStore } from 'zustand'
import { bitmapsFor, whenBitmapsArrive } from '../../page/draw/bitmaps.ts'
import { drawMarks } from '../../page/draw/drawMarks.ts'
import { toScreen, type View } from '../../page/view.ts'
import { marksOf } from './marksOf.ts'
import type { SheetStore } from './sheetStore.ts'

/** Room around lifted things for lines and peeping sheets, in points. */
const ROOM = 12

/** Things in the hand, on a canvas of their own: moving it draws nothing. */
export function Lifted({
  items,
  dx,
  dy,
  view,
}: {
  items: readonly PrintedItem[]
  dx: number
  dy: number
  view: View
}) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const box = around(items)
  const { scale } = view
  useEffect(() => {
    const bitmaps = bitmapsFor()
    const paint = () => {
      const target = canvas.current
      if (!target) return
      const all = around(items)
      const pixels = scale * devicePixelRatio
      target.width = Math.ceil((all.width + 2 * ROOM) * pixels)
      target.height = Math.ceil((all.height + 2 * ROOM) * pixels)
      const context = target.getContext('2d')!
      context.setTransform(pixels, 0, 0, pixels, (ROOM - all.x) * pixels, (ROOM - all.y) * pixels)
      for (const item of items) drawMarks(context, marksOf(item), pixels, bitmaps)
    }
    paint()
    return whenBitmapsArrive(paint)
  }, [items, scale])
  const at = toScreen(view, { x: box.x - ROOM, y: box.y - ROOM })
  return (
    <canvas
      ref={canvas}
      className="pointer-events-none absolute top-0 left-0 will-change-transform"
      style={{
        width: (box.width + 2 * ROOM) * scale,
        height: (box.height + 2 * ROOM) * scale,
        transform: `translate(${at.x + dx * scale}px, ${at.y + dy * scale}px)`,
      }}
    />
  )
}

/** The frame around something picked, with handles where it can be resized. */
export function PickFrame({
  item,
  view,
  handles,
  onHandle,
}: {
  item: PrintedItem
  view: View
  handles: boolean
  onHandle: (event: PointerEvent, handle: Handle) => void
}) {
  const at = toScreen(view, item)
  return (
    <>
      <div
        data-picked={item.id}
        className="pointer-events-none absolute outline-2 outline-offset-1 outline-ink"
        style={{ left: at.x, top: at.y, width: item.width * view.scale, height: item.height * view.scale }}
      />
      {handles &&
        handlesOf(item).map((handle) => {
          const place = toScreen(view, handlePlace(item, handle))
          return (
            <div
              key={handle}
              data-takes="all"
              data-handle={handle}
              onPointerDown={(event) => event.button === 0 && onHandle(event, handle)}
              className="pointer-events-auto absolute grid h-[26px] w-[26px] -translate-x-1/2 -translate-y-1/2 touch-none place-items-center"
              style={{ left: place.x, top: place.y, cursor: cursorOf(handle) }}
            >
              <span
                className={`h-[11px] w-[11px] border-2 border-ink bg-sheet ${handle.length === 2 ? '' : 'rounded-full'}`}
              />
            </div>
          )
        })}
    </>
  )
}

function cursorOf(handle: Handle): string {
  return handle === 'start' || handle === 'end' ? 'move' : `${handle}-resize`
}

export function GuideLines({ guides, view }: { guides: readonly SnapGuide[]; view: View }) {
  return guides.map(({ way, at, from, to }) => {
    const down = way === 'down'
    const place = toScreen(view, down ? { x: at, y: from } : { x: from, y: at })
    const length = (to - from) * view.scale
    return (
      <div
        key={way}
        data-guide={way}
        className="pointer-events-none absolute bg-madder"
        style={{ left: place.x, top: place.y, width: down ? 1 : length, height: down ? length : 1 }}
      />
    )
  })
}

/** The room that label and marks of a question need, in CSS pixels. */
const STRIP = 44

/** The areas of questions as strips at their left, with label and full marks. */
export function QuestionAreas({ store, page, view }: { store: SheetStore; page: WorksheetPage; view: View }) {
  const questions = useStore(store.view, ({ sheet }) => sheet.questions)
  const picked = useStore(store.view, ({ area }) => area)
  return questions.flatMap(({ id, label, fullMarks, areas }) =>
    areas.map((area, index) => {
      if (area.page !== page.id) return null
      const at = toScreen(view, area)
      // Left of it, where nothing is printed; inside where the window leaves no room there.
      const outside = at.x > STRIP
      const here = picked?.question === id && picked.index === index
      return (
        <div
          key={`${id} ${index}`}
          className={`pointer-events-none absolute ${here ? 'outline-2 outline-ink' : ''}`}
          style={{ left: at.x, top: at.y, width: area.width * view.scale, height: area.height * view.scale }}
        >
          <button
            type="button"
            data-takes="all"
            aria-label={`Question ${label}, ${fullMarks} marks`}
            onClick={() => store.pickArea(id, index)}
            className={`pointer-events-auto absolute top-0 bottom-0 flex min-w-[30px] items-start border-madder pt-1 font-serif font-semibold whitespace-nowrap text-madder ${outside ? 'right-full justify-end border-r-4 pr-1.5' : 'left-0 border-l-4'}`}
          >
            <span className={outside ? '' : 'rounded-r-tag bg-madder-soft px-1.5'}>
              {label} · {fullMarks}
            </span>
          </button>
        </div>
      )
    }),
  )
}
