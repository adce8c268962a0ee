import type { Group } from './groups.ts'
import { shuffled } from './shuffle.ts'

/** How many groups, or how large they are. */
export type GroupWish = { readonly count: number } | { readonly size: number }

/**
 * Students in groups at random, as the seed has it.
 *
 * Laws: everybody is in exactly one group; groups differ by at most one; with `size`, no group is larger
 * than it unless there are fewer students than one group needs.
 */
export function mixGroups(
  students: readonly string[],
  wish: GroupWish,
  seed: number,
  newId: () => string,
): Group[] {
  const wanted = 'count' in wish ? wish.count : Math.ceil(students.length / Math.max(1, wish.size))
  const count = Math.max(1, Math.min(Math.floor(wanted), students.length))
  const groups: Group[] = Array.from({ length: count }, (_, index) => ({
    id: newId(),
    name: `Group ${index + 1}`,
    students: [],
  }))
  for (const [index, student] of shuffled(students, seed).entries())
    groups[index % count]!.students.push(student)
  return groups
}

/** Groups with a student put into one of them, or into none. */
export function moveToGroup(groups: readonly Group[], student: string, to: string | undefined): Group[] {
  return groups.map((each) => {
    const others = each.students.filter((id) => id !== student)
    return { ...each, students: each.id === to ? [...others, student] : others }
  })
}

/** The groups with only students of the class in them: those who left it are left out. */
export function groupsNow(groups: readonly Group[], roster: readonly { readonly id: string }[]): Group[] {
  const there = new Set(roster.map(({ id }) => id))
  return groups.map((each) => ({ ...each, students: each.students.filter((id) => there.has(id)) }))
}

/** A set of students by its name (worksheet/sheet.ts). */
interface NamedSet {
  readonly id: string
  readonly name: string
}

/**
 * The set of each student where groups stand for sets of the same names, whatever their case. Nothing where
 * one of the sets has no group.
 */
export function setsFromGroups(
  sets: readonly NamedSet[],
  groups: readonly Group[],
): Record<string, string> | undefined {
  const called = (name: string) => name.trim().toLocaleLowerCase()
  const setOf: Record<string, string> = {}
  for (const { id, name } of sets) {
    const same = groups.find((each) => called(each.name) === called(name))
    if (!same) return undefined
    for (const student of same.students) setOf[student] = id
  }
  return setOf
}

/** The same the other way: a group for each set, with the students in it. */
export function groupsFromSets(
  sets: readonly NamedSet[],
  setOf: Readonly<Record<string, string>>,
  newId: () => string,
): Group[] {
  return sets.map(({ id, name }) => ({
    id: newId(),
    name,
    students: Object.keys(setOf).filter((student) => setOf[student] === id),
  }))
}
