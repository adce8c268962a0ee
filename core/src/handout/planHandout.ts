import type { Group } from './groups.ts'
import {
  type Deal,
  type Givable,
  type HandoutPlan,
  type HandoutWish,
  nameOf,
  onlySome,
  type PageStub,
  type PlannedCopy,
  pagesFor,
  type Recipient,
} from './plan.ts'
import { shuffled } from './shuffle.ts'
import { Refused } from './state.ts'

/**
 * Plans the copies of a hand-out. The same on the device that shows it and on the server that does it.
 *
 * Laws: every student of the class stands in exactly one copy or in `leftOut`; each copy has the pages
 * for everyone and those of its set, in order; dealing gives each the same number of different pages, no
 * page much more often than another (at most once), and leaves out no page while there are students for it; where only
 * some pages are wished for, no copy has any other.
 *
 * Throws `Refused` with a sentence when nobody would get a copy, somebody chosen is not in the class, or
 * a copy would have no page, or a page wished for is not there.
 */
export function planHandout({ roster, pages: all }: Givable, wish: HandoutWish): HandoutPlan {
  if (roster.length === 0) throw new Refused('This class has no students yet. Add some first.', 422)
  if (all.length === 0) throw new Refused('This worksheet has no pages yet.', 422)
  const pages = onlySome(all, wish.only)
  if (pages.length < new Set(wish.only).size)
    throw new Refused(
      'A page that was chosen is not on this worksheet any more. Look at its pages again.',
      422,
    )
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
    const dealtTo = dealt?.get(student.id) ?? wish.only ?? null
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
      copies.push({
        name,
        students: members,
        set,
        dealt: wish.only ?? null,
        pages: pagesFor(pages, set, null),
      })
  }
  return copies
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
