import { sql } from 'drizzle-orm'

/**
 * The number of a copy (as `c` in a query) in its hand-out, from 1: in the order of their ids, which are random,
 * so that it tells nothing of names and stays the same.
 */
export const NUMBER_OF_COPY = sql`(SELECT count(*)::int FROM copy other
  WHERE other.handout_id = c.handout_id AND other.id <= c.id)`

/** What a copy is called while names are hidden. */
export const numberedName = (number: number): string => `Copy ${number}`

/** Those who have a place in a copy, told apart but not named: in the order of their ids. */
export function withoutNames<Student extends { readonly id: string; readonly name: string }>(
  students: readonly Student[],
): Student[] {
  const inOrder = [...students].sort((a, b) => (a.id < b.id ? -1 : 1))
  return inOrder.map((student, index) => ({ ...student, name: `Student ${index + 1}` }))
}
