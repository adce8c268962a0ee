import {
  type ClassWhole,
  deal,
  type Grouping,
  group,
  type HandoutPlan,
  type HandoutWish,
  newHandout,
  planHandout,
  Refused,
  type Sheet,
  type StudentSet,
  setsFromGroups,
  way,
} from '@hand-back/core'
import { z } from 'zod'

/** What is chosen for one class. */
const classChoice = z.object({
  /** Students who get nothing. */
  left: z.array(z.string()),
  groups: z.array(group),
  /** The set of each student, or of each group; nothing: nobody has chosen yet. */
  setOf: z.record(z.string(), z.string()).optional(),
})
export type ClassChoice = z.infer<typeof classChoice>

export const nothingChosen: ClassChoice = { left: [], groups: [] }

/** Everything that is chosen while handing out, as a device keeps it. */
export const choices = z.object({
  /** One id for this giving, however often the button is pressed. */
  request: z.string(),
  classes: z.array(z.string()),
  way,
  deal: deal.optional(),
  /** Only these pages; left out: all. */
  only: z.array(z.string()).optional(),
  of: z.record(z.string(), classChoice),
  terms: newHandout.pick({
    opensAt: true,
    dueAt: true,
    directions: true,
    spoken: true,
    counts: true,
    unit: true,
    rubric: true,
  }),
})
export type Choices = z.infer<typeof choices>

/** What a device asks the server for: exactly what it planned with. */
export function wishFor(
  { way, deal, only }: Pick<Choices, 'way' | 'deal' | 'only'>,
  roster: ClassWhole,
  { left, groups, setOf = {} }: ClassChoice,
): HandoutWish {
  const here = new Set([...roster.students.map(({ id }) => id), ...groups.map(({ id }) => id)])
  const students = roster.students.filter(({ id }) => !left.includes(id)).map(({ id }) => id)
  return {
    way,
    ...(left.length > 0 && way !== 'group' ? { students } : {}),
    ...(way === 'group' ? { groups: [...groups] } : {}),
    ...(deal && way === 'own' ? { deal } : {}),
    ...(only ? { only: [...only] } : {}),
    setOf: Object.fromEntries(Object.entries(setOf).filter(([id]) => here.has(id))),
  }
}

/** What will happen in a class, or why nothing can. */
export function planFor(sheet: Sheet, roster: ClassWhole, wish: HandoutWish): HandoutPlan | string {
  try {
    return planHandout({ roster: roster.students, pages: sheet.pages }, wish)
  } catch (error) {
    if (error instanceof Refused) return error.message
    throw error
  }
}

/** The first kept groups that have a group for each of these sets, and the set of each student by them. */
export function setsAsKept(
  sets: readonly StudentSet[],
  kept: readonly Grouping[],
): { grouping: Grouping; setOf: Record<string, string> } | undefined {
  if (sets.length === 0) return undefined
  for (const grouping of kept) {
    const setOf = setsFromGroups(sets, grouping.groups)
    if (setOf) return { grouping, setOf }
  }
  return undefined
}
