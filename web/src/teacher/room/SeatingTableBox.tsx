import { FLOOR, type SeatAt, type SeatingTable, tableSize } from '@hand-back/core'
import { GripVertical, RotateCw, X } from 'lucide-react'
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react'
import { IconButton } from '../../ui/IconButton.tsx'

/** A seat while seats are arranged, in CSS pixels; tables stand at quarters of it. */
const SEAT = { width: 96, height: 58 }
const STEP = 0.25
/** A press that moves so little is a press, in CSS pixels. */
const STILL = 6
const WAYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
}

interface SeatingTableBoxProps {
  table: SeatingTable
  /** Who is about to be seated. */
  held: string | undefined
  nameOf: (student: string) => string
  onHold: (student: string | undefined) => void
  onSeat: (student: string, to: SeatAt) => void
  /** With nothing: the table is taken away. */
  onChange: (set: Partial<SeatingTable> | undefined) => void
}

/** A table with its seats: dragged by its edge or by arrow keys; names are dragged, or pressed one after the other. */
export function SeatingTableBox({ table, held, nameOf, onHold, onSeat, onChange }: SeatingTableBoxProps) {
  const [moved, setMoved] = useState<{ x: number; y: number }>()
  const from = useRef<{ x: number; y: number }>(undefined)
  const at = moved ?? table
  const { width } = tableSize(table)
  const within = (value: number) => Math.min(FLOOR, Math.max(0, Math.round(value / STEP) * STEP))
  const drag = (event: PointerEvent) => {
    if (!from.current) return
    const x = table.x + (event.clientX - from.current.x) / SEAT.width
    const y = table.y + (event.clientY - from.current.y) / SEAT.height
    setMoved({ x: within(x), y: within(y) })
  }
  const drop = () => {
    from.current = undefined
    if (moved) onChange(moved)
    setMoved(undefined)
  }
  const press = (event: KeyboardEvent) => {
    const way = WAYS[event.key]
    if (!way) return
    event.preventDefault()
    onChange({ x: within(table.x + way[0]), y: within(table.y + way[1]) })
  }
  return (
    <section
      aria-label={`Table for ${table.seats}`}
      className="absolute rounded-md bg-blotter-deep p-1"
      style={{ left: at.x * SEAT.width, top: at.y * (SEAT.height + 12) }}
    >
      <div className="flex items-center justify-between">
        <button
          type="button"
          aria-label={`Move the table for ${table.seats}`}
          onPointerDown={(event) => {
            from.current = { x: event.clientX, y: event.clientY }
            event.currentTarget.setPointerCapture(event.pointerId)
          }}
          onPointerMove={drag}
          onPointerUp={drop}
          onPointerCancel={drop}
          onKeyDown={press}
          className="grid h-6 w-8 cursor-move touch-none place-items-center rounded-tag text-ink-soft hover:text-ink"
        >
          <GripVertical size={16} aria-hidden="true" />
        </button>
        <span className="flex [&_button]:size-6">
          {table.seats > 1 && (
            <IconButton icon={RotateCw} label="Turn" onClick={() => onChange({ turned: !table.turned })} />
          )}
          <IconButton icon={X} label="Take the table away" onClick={() => onChange(undefined)} />
        </span>
      </div>
      <div className="grid gap-1" style={{ gridTemplateColumns: `repeat(${width}, ${SEAT.width - 14}px)` }}>
        {table.students.map((student, index) => (
          <Seat
            key={index}
            student={student}
            name={student ? nameOf(student) : ''}
            held={held}
            at={{ table: table.id, index }}
            onHold={onHold}
            onSeat={onSeat}
          />
        ))}
      </div>
    </section>
  )
}

interface SeatProps {
  student: string | null
  name: string
  held: string | undefined
  at: SeatAt
  onHold: (student: string | undefined) => void
  onSeat: (student: string, to: SeatAt) => void
}

function Seat({ student, name, held, at, onHold, onSeat }: SeatProps) {
  const [pulled, setPulled] = useState<{ x: number; y: number }>()
  const from = useRef<{ x: number; y: number }>(undefined)
  /** What is dropped is pressed, too, as browsers see it. */
  const dropped = useRef(false)
  const isPulled = pulled && Math.hypot(pulled.x, pulled.y) > STILL
  const drop = (event: PointerEvent) => {
    const to = isPulled && student ? seatUnder(event.clientX, event.clientY) : undefined
    dropped.current = isPulled === true
    from.current = undefined
    setPulled(undefined)
    if (to && student) onSeat(student, to)
  }
  const press = () => {
    if (dropped.current) {
      dropped.current = false
      return
    }
    if (held && held !== student) onSeat(held, at)
    else onHold(held === student ? undefined : (student ?? undefined))
  }
  return (
    <button
      type="button"
      data-seat={`${at.table} ${at.index}`}
      aria-label={name || 'A free seat'}
      aria-pressed={student !== null && held === student}
      onClick={press}
      onPointerDown={(event) => {
        dropped.current = false
        if (!student) return
        from.current = { x: event.clientX, y: event.clientY }
        event.currentTarget.setPointerCapture(event.pointerId)
      }}
      onPointerMove={(event) =>
        from.current && setPulled({ x: event.clientX - from.current.x, y: event.clientY - from.current.y })
      }
      onPointerUp={drop}
      onPointerCancel={drop}
      className={`min-h-[36px] touch-none rounded-tag border px-1 text-[13px] leading-tight pointer-coarse:min-h-11 ${student ? 'border-rule bg-sheet' : 'border-ink-soft/50 border-dashed bg-transparent'} ${held === student && student ? 'border-verdigris font-semibold' : ''} ${held && !student ? 'hover:bg-sheet' : ''} ${isPulled ? 'pointer-events-none relative z-10 shadow-md' : ''}`}
      style={isPulled ? { transform: `translate(${pulled.x}px, ${pulled.y}px)` } : undefined}
    >
      {name}
    </button>
  )
}

/** The seat at a place of the window. */
function seatUnder(x: number, y: number): SeatAt | undefined {
  for (const element of document.elementsFromPoint(x, y)) {
    const [table, index] = (element as HTMLElement).dataset.seat?.split(' ') ?? []
    if (table && index) return { table, index: Number(index) }
  }
  return undefined
}
