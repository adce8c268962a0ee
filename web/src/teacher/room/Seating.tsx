import {
  CALLS,
  FLOOR,
  FLOOR_SHAPES,
  type FloorShape,
  floorOf,
  type HandoutWhole,
  type SeatAt,
  type SeatingPlan,
  seat,
  seatedNow,
  TABLE_SEATS,
  type TableSeats,
} from '@hand-back/core'
import { Plus } from 'lucide-react'
import { useMemo, useState } from 'react'
import { ask } from '../../api/ask.ts'
import { keyOf, queryClient, refresh } from '../../api/queries.ts'
import { Button } from '../../ui/Button.tsx'
import { sayProblem } from '../../ui/notices.ts'
import { SeatingTableBox } from './SeatingTableBox.tsx'

const SHAPES: Readonly<Record<FloorShape, string>> = {
  pairs: 'Pairs',
  groups: 'Groups of four',
  rows: 'Long rows',
  horseshoe: 'Horseshoe',
}
const EMPTY: SeatingPlan = { tables: [] }

/** Where the class sits: tables on a floor, names on their seats. What is changed is kept at once. */
export function Seating({ handout, plan: kept }: { handout: HandoutWhole; plan: SeatingPlan | null }) {
  const students = useMemo(
    () => handout.copies.flatMap((copy) => copy.students).sort((a, b) => a.name.localeCompare(b.name)),
    [handout.copies],
  )
  const ids = useMemo(() => students.map(({ id }) => id), [students])
  const [wished, setWished] = useState(kept ?? EMPTY)
  /** Who was pressed, and is seated with the next press. */
  const [held, setHeld] = useState<string>()
  const { unseated } = seatedNow(wished, ids)
  const nameOf = (id: string) => students.find((student) => student.id === id)?.name ?? ''
  const change = (plan: SeatingPlan) => {
    setWished(plan)
    const key = keyOf(CALLS.room, { handout: handout.id })
    queryClient.setQueryData(key, (before: object | undefined) => before && { ...before, plan })
    ask(CALLS.keepSeats, { handout: handout.id }, plan).catch((error) => {
      sayProblem(error)
      void refresh(CALLS.room, { handout: handout.id })
    })
  }
  const putAt = (student: string, to: SeatAt | undefined) => {
    setHeld(undefined)
    change(seat(wished, student, to))
  }
  const changeTable = (id: string, set: Partial<SeatingPlan['tables'][number]> | undefined) =>
    change({
      tables: wished.tables.flatMap((table) => (table.id !== id ? table : set ? { ...table, ...set } : [])),
    })
  const addTable = (seats: TableSeats) => {
    const y = Math.max(0, ...wished.tables.map((table) => table.y + 2.5))
    const students = Array.from({ length: seats }, () => null)
    change({
      tables: [...wished.tables, { id: crypto.randomUUID(), x: 0, y: Math.min(FLOOR, y), seats, students }],
    })
  }
  return (
    <div className="flex min-h-0 flex-1 max-tablet:flex-col">
      <main className="min-w-0 flex-1 overflow-auto p-5" aria-label="Seats">
        <p className="mx-auto mb-4 w-1/3 border-b-[3px] border-rule pb-1 text-center text-ink-soft text-sm">
          front
        </p>
        {wished.tables.length === 0 ? (
          <section className="mx-auto mt-8 max-w-lg text-center">
            <h2 className="text-xl">How do the tables stand?</h2>
            <p className="mt-1 mb-4 text-ink-soft">
              Choose what is nearest. Tables and names can be moved afterwards.
            </p>
            <Shapes onShape={(shape) => change(floorOf(shape, ids, () => crypto.randomUUID()))} />
          </section>
        ) : (
          <div className="relative min-h-[60vh]" data-testid="floor">
            {wished.tables.map((table) => (
              <SeatingTableBox
                key={table.id}
                table={table}
                held={held}
                nameOf={nameOf}
                onHold={setHeld}
                onSeat={putAt}
                onChange={(set) => changeTable(table.id, set)}
              />
            ))}
          </div>
        )}
      </main>
      <aside
        aria-label="Who has no seat"
        className="flex w-[250px] shrink-0 flex-col gap-6 overflow-y-auto border-l border-rule bg-card p-5 max-tablet:max-h-[36vh] max-tablet:w-full max-tablet:flex-row max-tablet:border-t max-tablet:border-l-0 max-tablet:[&>section]:flex-1"
      >
        <section>
          <h2 className="border-b border-rule pb-1.5 text-lg">Without a seat</h2>
          {unseated.length === 0 && <p className="py-2 text-ink-soft">Everybody sits somewhere.</p>}
          <ul className="mt-2 grid gap-1.5">
            {unseated.map((id) => (
              <li key={id}>
                <button
                  type="button"
                  aria-pressed={held === id}
                  onClick={() => setHeld(held === id ? undefined : id)}
                  className={`min-h-[38px] w-full rounded-tag border px-3 text-left pointer-coarse:min-h-11 ${held === id ? 'border-verdigris bg-sheet font-semibold' : 'border-rule bg-sheet hover:border-ink-soft'}`}
                >
                  {nameOf(id)}
                </button>
              </li>
            ))}
          </ul>
          {held && (
            <p role="status" className="mt-3 text-ink-soft">
              Now press the seat of <b>{nameOf(held)}</b>.
              {!unseated.includes(held) && (
                <Button look="quiet" className="mt-1 px-0" onClick={() => putAt(held, undefined)}>
                  Take from the seat
                </Button>
              )}
            </p>
          )}
        </section>
        <section>
          <h2 className="border-b border-rule pb-1.5 text-lg">Add a table for</h2>
          <div className="mt-3 flex flex-wrap gap-2">
            {TABLE_SEATS.map((seats) => (
              <Button key={seats} aria-label={`Add a table for ${seats}`} onClick={() => addTable(seats)}>
                <Plus size={16} aria-hidden="true" /> {seats}
              </Button>
            ))}
          </div>
        </section>
        {wished.tables.length > 0 && (
          <section>
            <h2 className="mb-3 border-b border-rule pb-1.5 text-lg">Put up anew</h2>
            <Shapes onShape={(shape) => change(floorOf(shape, ids, () => crypto.randomUUID()))} />
          </section>
        )}
      </aside>
    </div>
  )
}

function Shapes({ onShape }: { onShape: (shape: FloorShape) => void }) {
  return (
    <div className="flex flex-wrap justify-center gap-2">
      {FLOOR_SHAPES.map((shape) => (
        <Button key={shape} onClick={() => onShape(shape)}>
          {SHAPES[shape]}
        </Button>
      ))}
    </div>
  )
}
