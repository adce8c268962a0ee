import { z } from 'zod'
import { madeId } from '../ink/stroke.ts'
import { hundredths, type Mark } from '../kinds/mark.ts'
import { plainText } from '../words/plainText.ts'
import type { Question } from '../worksheet/sheet.ts'
import { markId, type Sum, sumOf } from './marks.ts'
import { sayMarks } from './sayMarks.ts'

export const MOST_CRITERIA = 50
export const MOST_LEVELS = 8

const cell = z.strictObject({ words: plainText().trim().max(300), marks: hundredths })

/** What is looked for in the whole work: criteria, each with words and marks for every level. */
export const rubric = z
  .strictObject({
    name: plainText().trim().min(1, 'Give it a name.').max(80),
    levels: z.array(plainText().trim().min(1, 'Give each level a name.').max(40)).min(2).max(MOST_LEVELS),
    criteria: z
      .array(
        z.strictObject({
          id: madeId,
          label: plainText().trim().min(1, 'Give each criterion a name.').max(60),
          cells: z.array(cell).min(2).max(MOST_LEVELS),
        }),
      )
      .min(1, 'A rubric has at least one criterion.')
      .max(MOST_CRITERIA, `A rubric has at most ${MOST_CRITERIA} criteria.`),
  })
  .refine(
    ({ levels, criteria }) => criteria.every(({ cells }) => cells.length === levels.length),
    'Each criterion has as many levels as the rubric.',
  )
  .refine(
    ({ criteria }) => new Set(criteria.map(({ id }) => id)).size === criteria.length,
    'Each criterion is there once.',
  )
export type Rubric = z.infer<typeof rubric>
export type Criterion = Rubric['criteria'][number]

/** A rubric that a teacher keeps. */
export const rubricKept = z.object({ id: z.uuid(), rubric })
export type RubricKept = z.infer<typeof rubricKept>

/**
 * The criteria as questions about the whole copy, with no area of their own: their marks are marks as all others. The
 * full marks of a criterion are those of its best level.
 */
export const criteriaOf = (of: Rubric | null | undefined): Question[] =>
  (of?.criteria ?? []).map(({ id, label, cells }) => ({
    id,
    label,
    fullMarks: Math.max(...cells.map(({ marks }) => marks)) / 100,
    areas: [],
  }))

/** What the criteria of a rubric come to, in hundredths, and how many have no level yet. */
export const rubricSum = (of: Rubric, marks: ReadonlyMap<string, Mark>): Sum => sumOf(criteriaOf(of), marks)

/** The same in words; nothing where no level was given, or none that tells of marks. */
export function sayRubricSum(of: Rubric, marks: ReadonlyMap<string, Mark>): string | undefined {
  if (!of.criteria.some(({ id }) => (marks.get(id)?.full ?? 0) > 0)) return undefined
  const { given, full } = rubricSum(of, marks)
  return `${sayMarks(given)} of ${sayMarks(full)}`
}

/** The mark of a copy for a criterion that reached level `at`. Throws `RangeError` where there is no such level. */
export function levelMark(
  copy: string,
  round: number,
  { levels }: Rubric,
  { id, label, cells }: Criterion,
  at: number,
): Mark {
  const reached = cells[at]
  const name = levels[at]
  if (!reached || name === undefined) throw new RangeError(`No level ${at}.`)
  return {
    id: markId(copy, id, round),
    kind: 'mark',
    question: id,
    label,
    given: reached.marks,
    full: Math.max(...cells.map(({ marks }) => marks)),
    level: { at, name, words: reached.words },
    x: 0,
    y: 0,
  }
}
