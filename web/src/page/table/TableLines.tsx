import { linesAlong, type Placed, resized, sizesOf, type TableSide, type Thing } from '@hand-back/core'
import { type KeyboardEvent, type PointerEvent, useState } from 'react'
import type { CopyStore } from '../copy/copyStore.ts'
import { toScreen, type View } from '../view/view.ts'
import { changeTable } from './growTable.ts'

type LaidTable = Extract<Thing, { kind: 'table' }>

interface TableLinesProps {
  table: LaidTable
  store: CopyStore
  page: string
  placed: readonly Placed[]
  view: View
  /** Where it could not be fetched. */
  onClose: () => void
}

interface Dragging {
  readonly side: TableSide
  readonly index: number
  readonly from: number
  /** How far it has gone, in points. */
  readonly by: number
}

/** What an arrow key moves a line by, in points. */
const STEP = 4

/** The lines of a table that is picked up, each to be dragged at its end: its column or row grows, and what is written behind goes along. */
export function TableLines({ table, store, page, placed, view }: TableLinesProps) {
  const [dragging, setDragging] = useState<Dragging>()
  const put = (side: TableSide, index: number, by: number) => {
    const after = resized(table, side, index, by)
    const change = sizesOf(after, side)[index]! - sizesOf(table, side)[index]!
    if (change === 0) return
    const length = side === 'columns' ? table.width : table.height
    const from = (side === 'columns' ? table.x : table.y) + linesAlong(table[side], length)[index + 1]!
    changeTable(store, page, placed, table, after, [{ side, from, by: change }])
  }
  return (['columns', 'rows'] as const).flatMap((side) => {
    const across = side === 'columns'
    const lines = linesAlong(table[side], across ? table.width : table.height).slice(1)
    return lines.map((at, index) => {
      const isHeld = dragging?.side === side && dragging.index === index
      const moved = at + (isHeld ? dragging.by : 0)
      const place = toScreen(
        view,
        across ? { x: table.x + moved, y: table.y } : { x: table.x, y: table.y + moved },
      )
      const where = (event: PointerEvent) => (across ? event.clientX : event.clientY)
      const key = (event: KeyboardEvent) => {
        const step = {
          [across ? 'ArrowRight' : 'ArrowDown']: STEP,
          [across ? 'ArrowLeft' : 'ArrowUp']: -STEP,
        }[event.key]
        if (step === undefined) return
        event.preventDefault()
        event.stopPropagation()
        put(side, index, step)
      }
      return (
        <span key={`${side} ${index}`}>
          {isHeld && (
            <span
              className="pointer-events-none absolute bg-madder"
              style={
                across
                  ? { left: place.x, top: place.y, width: 1, height: table.height * view.scale }
                  : { left: place.x, top: place.y, width: table.width * view.scale, height: 1 }
              }
            />
          )}
          <button
            type="button"
            data-takes="all"
            aria-label={`${across ? 'Column' : 'Row'} ${index + 1}, drag its line`}
            className={`pointer-events-auto absolute grid size-[26px] touch-none place-items-center pointer-coarse:size-11 ${across ? 'cursor-ew-resize' : 'cursor-ns-resize'}`}
            style={{
              left: place.x,
              top: place.y,
              transform: across ? 'translate(-50%, -100%)' : 'translate(-100%, -50%)',
            }}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId)
              setDragging({ side, index, from: where(event), by: 0 })
            }}
            onPointerMove={(event) =>
              isHeld && setDragging({ ...dragging, by: (where(event) - dragging.from) / view.scale })
            }
            onPointerUp={() => {
              if (isHeld) put(side, index, dragging.by)
              setDragging(undefined)
            }}
            onPointerCancel={() => setDragging(undefined)}
            onKeyDown={key}
          >
            <span className={`rounded-full bg-verdigris ${across ? 'h-4 w-1.5' : 'h-1.5 w-4'}`} />
          </button>
        </span>
      )
    })
  })
}
