import { z } from 'zod'
import { madeId } from '../ink/stroke.ts'

/** How many sit at a table. */
export const TABLE_SEATS = [1, 2, 4, 6] as const
export type TableSeats = (typeof TABLE_SEATS)[number]

/** A floor is so many seats wide and deep at most. */
export const FLOOR = 40
const along = z.number().min(0).max(FLOOR)

/**
 * A table on the floor: its upper left corner, in seats from the upper left of the room, whose front is at the top.
 * `turned`: it stands upright instead of across. `students` are those at its seats, in reading order.
 */
export const seatingTable = z
  .strictObject({
    id: madeId,
    x: along,
    y: along,
    seats: z.literal(TABLE_SEATS),
    turned: z.boolean().optional(),
    students: z.array(z.uuid().nullable()).max(6),
  })
  .refine(({ seats, students }) => students.length === seats, 'Every seat is told of, empty or not.')
export type SeatingTable = z.infer<typeof seatingTable>

/** Where the students of a class sit. Nobody sits in two places. */
export const seatingPlan = z.strictObject({ tables: z.array(seatingTable).max(200) }).refine(({ tables }) => {
  const sitting = tables.flatMap(({ students }) => students).filter((student) => student !== null)
  return new Set(sitting).size === sitting.length
}, 'Somebody sits in two places.')
export type SeatingPlan = z.infer<typeof seatingPlan>

/** How many seats a table is wide and deep. */
export function tableSize({ seats, turned }: Pick<SeatingTable, 'seats' | 'turned'>) {
  const across = seats === 6 ? 3 : Math.min(2, seats)
  const down = seats > 2 ? 2 : 1
  return turned ? { width: down, height: across } : { width: across, height: down }
}

/** Where each seat of a table is, in seats from the upper left of the room. */
export function seatsOf(table: SeatingTable): { x: number; y: number; student: string | null }[] {
  const { width } = tableSize(table)
  return table.students.map((student, index) => ({
    x: table.x + (index % width),
    y: table.y + Math.floor(index / width),
    student,
  }))
}

/** The plan with those only who are in the class, and who of the class has no seat. */
export function seatedNow(
  plan: SeatingPlan,
  students: readonly string[],
): { plan: SeatingPlan; unseated: string[] } {
  const there = new Set(students)
  const tables = plan.tables.map((table) => ({
    ...table,
    students: table.students.map((student) => (student !== null && there.has(student) ? student : null)),
  }))
  const sitting = new Set(tables.flatMap((table) => table.students))
  return { plan: { tables }, unseated: students.filter((student) => !sitting.has(student)) }
}

/** A seat of a plan. */
export interface SeatAt {
  readonly table: string
  readonly index: number
}

/** The plan with a student at a seat, or (with none) without one. Whoever sat there goes where the student came from. */
export function seat(plan: SeatingPlan, student: string, to: SeatAt | undefined): SeatingPlan {
  const sitting = to && plan.tables.find(({ id }) => id === to.table)?.students[to.index]
  return {
    tables: plan.tables.map((table) => ({
      ...table,
      students: table.students.map((there, index) => {
        if (to && table.id === to.table && index === to.index) return student
        return there === student ? (sitting ?? null) : there
      }),
    })),
  }
}
