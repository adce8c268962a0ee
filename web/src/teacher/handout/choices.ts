import {
  type ClassWhole,
  type Deal,
  type Group,
  type HandoutPlan,
  type HandoutWish,
  planHandout,
  Refused,
  type Sheet,
  type Way,
} from '@hand-back/core'

/** What is chosen for one class. */
export interface ClassChoice {
  /** Students who get nothing. */
  readonly left: ReadonlySet<string>
  readonly groups: readonly Group[]
  /** The set of each student, or of each group. */
  readonly setOf: Readonly<Record<string, string>>
}

export const nothingChosen: ClassChoice = { left: new Set(), groups: [], setOf: {} }

/** What is chosen for all classes alike. */
export interface Choices {
  readonly way: Way
  readonly deal: Deal | undefined
}

/** What a device asks the server for: exactly what it planned with. */
export function wishFor(
  { way, deal }: Choices,
  roster: ClassWhole,
  { left, groups, setOf }: ClassChoice,
): HandoutWish {
  const here = new Set([...roster.students.map(({ id }) => id), ...groups.map(({ id }) => id)])
  const students = roster.students.filter(({ id }) => !left.has(id)).map(({ id }) => id)
  return {
    way,
    ...(left.size > 0 && way !== 'group' ? { students } : {}),
    ...(way === 'group' ? { groups: [...groups] } : {}),
    ...(deal && way === 'own' ? { deal } : {}),
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
