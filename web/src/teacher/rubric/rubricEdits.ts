import { type Criterion, MOST_CRITERIA, MOST_LEVELS, type Rubric, rubric } from '@hand-back/core'
import { z } from 'zod'

const MARK = 100

/** A rubric as it is half made. */
export const rubricDraft = z.object({
  name: z.string(),
  levels: z.array(z.string()).min(2),
  criteria: z
    .array(
      z.object({
        id: z.uuid(),
        label: z.string(),
        cells: z.array(z.object({ words: z.string(), marks: z.number().int().min(0) })),
      }),
    )
    .min(1),
})

/** The list with another value at a place. */
export const put = <T>(list: readonly T[], at: number, value: T): T[] =>
  list.map((each, index) => (index === at ? value : each))

/** A rubric to begin with: one criterion, three levels, a mark more for each. */
export const newRubric = (): Rubric => ({
  name: '',
  levels: ['not yet', 'nearly', 'there'],
  criteria: [newCriterion(3)],
})

const newCriterion = (levels: number): Criterion => ({
  id: crypto.randomUUID(),
  label: '',
  cells: Array.from({ length: levels }, (_, at) => ({ words: '', marks: at * MARK })),
})

export const addCriterion = (of: Rubric): Rubric =>
  of.criteria.length >= MOST_CRITERIA
    ? of
    : { ...of, criteria: [...of.criteria, likeLast(of.criteria.at(-1), of.levels.length)] }

/** The next criterion is worth what the last one is. */
const likeLast = (last: Criterion | undefined, levels: number): Criterion => ({
  ...newCriterion(levels),
  ...(last ? { cells: last.cells.map(({ marks }) => ({ words: '', marks })) } : {}),
})

export const takeCriterion = (of: Rubric, id: string): Rubric => ({
  ...of,
  criteria: of.criteria.filter((each) => each.id !== id),
})

export const changeCriterion = (of: Rubric, id: string, to: (before: Criterion) => Criterion): Rubric => ({
  ...of,
  criteria: of.criteria.map((each) => (each.id === id ? to(each) : each)),
})

/** A level above the best, worth a mark more. */
export function addLevel(of: Rubric): Rubric {
  if (of.levels.length >= MOST_LEVELS) return of
  return {
    ...of,
    levels: [...of.levels, ''],
    criteria: of.criteria.map((each) => ({
      ...each,
      cells: [...each.cells, { words: '', marks: each.cells.at(-1)!.marks + MARK }],
    })),
  }
}

export const takeLevel = (of: Rubric, at: number): Rubric => ({
  ...of,
  levels: of.levels.filter((_, index) => index !== at),
  criteria: of.criteria.map((each) => ({ ...each, cells: each.cells.filter((_, index) => index !== at) })),
})

/** One sentence that says what is missing; nothing: it can be kept. */
export function missing(of: Rubric): string | undefined {
  const read = rubric.safeParse(of)
  return read.success ? undefined : read.error.issues[0]!.message
}
