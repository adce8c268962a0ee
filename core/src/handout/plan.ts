import { z } from 'zod'
import type { PrintedItem } from '../kinds/printed.ts'
import { type Group, group } from './groups.ts'
import { shuffled } from './shuffle.ts'
import { Refused } from './state.ts'

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

/**
 * Plans the copies of a hand-out. The same on the device that shows it and on the server that does it.
 *
 * Laws: every student of the class stands in exactly one copy or in `leftOut`; each copy has the pages
 * for everyone and those of its set, in order; dealing gives each the same number of different pages, no
 * page much more often than another (at most once), and leaves out no page while there are students for it.
 *
 * Throws `Refused` with a sentence when nobody would get a copy, somebody chosen is not in the class, or
 * a copy would have no page.
 */
export function planHandout({ roster, pages }: Givable, wish: HandoutWish): HandoutPlan {
  if (roster.length === 0) throw new Refused('This class has no students yet. Add some first.', 422)
  if (pages.length === 0) throw new Refused('This worksheet has no pages yet.', 422)
  const chosen = chosenOf(roster, wish.students)
  const copies = wish.way === 'own' ? ownCopies(chosen, pages, wish) : sharedCopies(chosen, pages, wish)
  if (copies.length === 0)
    throw new Refused('No group has anybody in it. Put students into groups first.', 422)
  const bare = copies.find((copy) => copy.pages.length === 0)
  if (bare) throw new Refused(`${nameOf(bare)} would get no page at all. Look at the sets.`, 422)
  const served = new Set(copies.flatMap(({ students }) => students.map(({ id }) => id)))
  return { copies, leftOut: roster.filter(({ id }) => !served.has(id)) }
}

function chosenOf(roster: readonly Recipient[], students: readonly string[] | undefined): Recipient[] {
  if (!students) return [...roster]
  const wanted = new Set(students)
  const chosen = roster.filter(({ id }) => wanted.has(id))
  if (chosen.length < wanted.size)
    throw new Refused('Somebody chosen is not in this class any more. Look at the list again.', 422)
  if (chosen.length === 0) throw new Refused('Choose at least one student.', 422)
  return chosen
}

function ownCopies(
  chosen: readonly Recipient[],
  pages: readonly PageStub[],
  wish: HandoutWish,
): PlannedCopy[] {
  const dealt = wish.deal && dealPages(chosen, pages, wish.deal)
  return chosen.map((student) => {
    const set = wish.setOf?.[student.id] ?? null
    const dealtTo = dealt?.get(student.id) ?? null
    return {
      name: null,
      students: [student],
      set,
      dealt: dealtTo,
      pages: pagesFor(pages, set, dealtTo),
    }
  })
}

function sharedCopies(
  chosen: readonly Recipient[],
  pages: readonly PageStub[],
  wish: HandoutWish,
): PlannedCopy[] {
  const byId = new Map(chosen.map((student) => [student.id, student]))
  const groups: readonly Pick<Group, 'id' | 'name' | 'students'>[] =
    wish.way === 'group'
      ? (wish.groups ?? [])
      : [{ id: '', name: 'Everybody', students: chosen.map(({ id }) => id) }]
  const copies: PlannedCopy[] = []
  for (const { id, name, students } of groups) {
    // Somebody named in two groups belongs to the first.
    const members = students.flatMap((student) => byId.get(student) ?? [])
    for (const student of members) byId.delete(student.id)
    const set = wish.setOf?.[id] ?? null
    if (members.length > 0)
      copies.push({ name, students: members, set, dealt: null, pages: pagesFor(pages, set, null) })
  }
  return copies
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

/** Whether a page or an item is for everyone or for this set. */
export function isForSet({ sets }: { sets?: readonly string[] | undefined }, set: string | null): boolean {
  return !sets || (set !== null && sets.includes(set))
}

/** What is printed for a set, without saying for which sets it is. */
export function printedFor(printed: readonly PrintedItem[], set: string | null): PrintedItem[] {
  return printed.flatMap(({ sets, ...item }) => (isForSet({ sets }, set) ? [item as PrintedItem] : []))
}

/** A hand of pages for each student, by their ids. Pages for some sets only are not dealt. */
function dealPages(
  students: readonly Recipient[],
  pages: readonly PageStub[],
  { pages: each, mixed, seed }: Deal,
) {
  const all = pages.filter(({ sets }) => !sets)
  const stack = mixed ? shuffled(all, seed) : all
  const order = mixed ? shuffled(students, seed + 1) : students
  const hand = Math.min(each, stack.length)
  return new Map(
    order.map((student, index) => [
      student.id,
      Array.from({ length: hand }, (_, card) => stack[(index * hand + card) % stack.length]!.id),
    ]),
  )
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
