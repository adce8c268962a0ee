import { z } from 'zod'
import type { PrintedItem } from '../kinds/printed.ts'
import { group } from './groups.ts'

/** How it goes out: a copy for each student, for each group, one for all, or one for all to read. */
export const WAYS = ['own', 'group', 'all', 'read'] as const
export const way = z.enum(WAYS)
export type Way = z.infer<typeof way>

/** Different pages for each: how many, and whether in order of names or as the seed mixes them. */
export const deal = z.object({
  pages: z.number().int().min(1).max(500),
  mixed: z.boolean(),
  seed: z.number().int(),
})
export type Deal = z.infer<typeof deal>

/** What is to happen for one class. `students` left out: the whole class. */
export const handoutWish = z.object({
  way,
  students: z.array(z.uuid()).max(1000).optional(),
  groups: z.array(group).max(200).optional(),
  /** The set of a student, or of a group where groups get copies. */
  setOf: z.record(z.uuid(), z.uuid()).optional(),
  deal: deal.optional(),
  /** Only these pages of the worksheet; left out: all. */
  only: z.array(z.uuid()).min(1, 'Choose at least one page.').max(500).optional(),
})
export type HandoutWish = z.infer<typeof handoutWish>

/** Somebody in a class who can get a copy. */
export interface Recipient {
  readonly id: string
  readonly name: string
}

/** What of a page decides who gets it. */
export interface PageStub {
  readonly id: string
  readonly sets?: readonly string[] | undefined
}

/** What can be handed out to whom. */
export interface Givable {
  readonly roster: readonly Recipient[]
  readonly pages: readonly PageStub[]
}

/** One copy to be made. `name` where it is not one student's; `pages` only where it was dealt. */
export interface PlannedCopy {
  readonly name: string | null
  readonly students: readonly Recipient[]
  readonly set: string | null
  readonly dealt: readonly string[] | null
  /** The pages that it will have, in order. */
  readonly pages: readonly string[]
}

/** What will happen when it is handed out: every copy, and who is left out. */
export interface HandoutPlan {
  readonly copies: readonly PlannedCopy[]
  readonly leftOut: readonly Recipient[]
}

/** The pages of a copy: those for everyone and for its set, and of these only what it was dealt. */
export function pagesFor(
  pages: readonly PageStub[],
  set: string | null,
  dealt: readonly string[] | null,
): string[] {
  return pages
    .filter((page) => isForSet(page, set) && (!dealt || dealt.includes(page.id)))
    .map(({ id }) => id)
}

/** The pages among which those of a hand-out are: all of them, or some only. */
export const onlySome = <P extends PageStub>(
  pages: readonly P[],
  only: readonly string[] | null | undefined,
): P[] => pages.filter(({ id }) => !only || only.includes(id))

/** Whether a page or an item is for everyone or for this set. */
export function isForSet({ sets }: { sets?: readonly string[] | undefined }, set: string | null): boolean {
  return !sets || (set !== null && sets.includes(set))
}

/** What is printed for a set, without saying for which sets it is. */
export function printedFor(printed: readonly PrintedItem[], set: string | null): PrintedItem[] {
  return printed.flatMap(({ sets, ...item }) => (isForSet({ sets }, set) ? [item as PrintedItem] : []))
}

/** Whose a copy is, in a word: a group's name, or the student's. */
export function nameOf({
  name,
  students,
}: {
  name: string | null
  students: readonly { name: string }[]
}): string {
  return name ?? students[0]?.name ?? ''
}
