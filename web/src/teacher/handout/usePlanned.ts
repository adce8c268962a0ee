import {
  CALLS,
  type ClassWhole,
  groupsFromSets,
  type HandoutPlan,
  type HandoutWish,
  type StudentSet,
  type WorksheetWhole,
} from '@hand-back/core'
import { useQueries } from '@tanstack/react-query'
import { ask } from '../../api/ask.ts'
import { asked } from '../asked.ts'
import { type Choices, type ClassChoice, nothingChosen, planFor, setsAsKept, wishFor } from './choices.ts'

/** What is chosen for one class, and what will come of it. */
export interface PlannedClass {
  readonly roster: ClassWhole
  readonly choice: ClassChoice
  /** The kept groups that the sets were taken from, by name, until somebody chooses otherwise. */
  readonly asKept: string | undefined
  readonly wish: HandoutWish
  readonly plan: HandoutPlan | string
}

/** The classes that were chosen, as they will be handed out to. Sets are those of kept groups of the same names, at first. */
export function usePlanned(
  { sheet }: WorksheetWhole,
  chosen: Choices,
  classes: readonly string[],
  sets: readonly StudentSet[],
): { parts: PlannedClass[]; isLoaded: boolean } {
  const rosters = useQueries({ queries: classes.map((id) => asked.class(id)) })
  const groupings = useQueries({ queries: classes.map((id) => asked.groupings(id)) })
  const parts = rosters.flatMap(({ data: roster }, index): PlannedClass[] => {
    if (!roster) return []
    const own = chosen.of[roster.id] ?? nothingChosen
    const kept = own.setOf ? undefined : setsAsKept(sets, groupings[index]?.data ?? [])
    const choice = kept ? { ...own, setOf: kept.setOf } : own
    const wish = wishFor(chosen, roster, choice)
    return [{ roster, choice, asKept: kept?.grouping.name, wish, plan: planFor(sheet, roster, wish) }]
  })
  return { parts, isLoaded: parts.length === classes.length }
}

/** Keeps who was in which set as groups of the class: the next hand-out with sets of these names begins with them. */
export async function keepSets({ roster, choice }: PlannedClass, sets: readonly StudentSet[]): Promise<void> {
  const { setOf = {} } = choice
  if (sets.length === 0 || Object.keys(setOf).length === 0) return
  const name = sets
    .map((each) => each.name)
    .join(', ')
    .slice(0, 60)
  try {
    const kept = await ask(CALLS.groupings, { class: roster.id })
    const grouping = kept.find((each) => each.name === name)?.id ?? crypto.randomUUID()
    const groups = groupsFromSets(sets, setOf, () => crypto.randomUUID())
    await ask(CALLS.keepGrouping, { class: roster.id, grouping }, { name, groups })
  } catch {
    // A help for the next time: this hand-out is out.
  }
}
