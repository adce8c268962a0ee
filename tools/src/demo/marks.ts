import { type Context, tables } from '@hand-back/server'

/** One of some, always the same for the same place. */
export const pick = <T>(some: readonly T[], at: number): T => some[at % some.length]!

/** What a student was given for the three questions of the bearings: whoever found the buoy did well in the rest too. */
export const bearingMarks = (good: boolean, index: number): number[] =>
  good
    ? [pick([4, 3.5, 4, 3], index), pick([2, 2, 1.5, 2, 1], index), pick([1.5, 2, 1, 2, 2], index)]
    : [pick([2.5, 1.5, 2, 1], index), pick([1, 0.5, 0, 1, 0.5], index), pick([2, 0.5, 1.5, 1, 0.5], index)]

const DAY = 24 * 60 * 60 * 1000

/** What the class was given marks for without Hand Back: a spoken test, and one on paper that two have missed. */
export async function furnishElsewhere(
  { db }: Pick<Context, 'db'>,
  of: {
    classId: string
    students: readonly { id: string }[]
    unit: string
    now: number
    makeId: () => string
  },
): Promise<void> {
  const { classId, students, unit, now, makeId } = of
  const [spoken, paper] = [makeId(), makeId()]
  await db.insert(tables.elsewhere).values([
    {
      id: spoken,
      classId,
      unit,
      title: 'Harbour words, spoken',
      full: 1000,
      weight: 50,
      at: new Date(now - 20 * DAY),
    },
    {
      id: paper,
      classId,
      unit,
      title: 'Tides, on paper',
      full: 2000,
      weight: 200,
      at: new Date(now - 13 * DAY),
    },
  ])
  const marks = students.flatMap(({ id: studentId }, index) => [
    { elsewhereId: spoken, studentId, given: 500 + ((index * 7) % 11) * 50 },
    ...(index % 11 === 6 ? [] : [{ elsewhereId: paper, studentId, given: 800 + ((index * 5) % 23) * 50 }]),
  ])
  await db.insert(tables.elsewhereMarks).values(marks)
}
