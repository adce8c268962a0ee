import { boundsOfItem } from '../holding/pick.ts'
import type { Point } from '../ink/points.ts'
import { strokePoints } from '../ink/stroke.ts'
import { type Item, kindOfItem } from '../kinds/items.ts'
import type { PageEvent } from '../log/events.ts'
import { type Box, middle } from '../worksheet/box.ts'
import type { Question } from '../worksheet/sheet.ts'

/** Hands are not exact: so far around the areas work is taken, too, in points. */
const ROOM = 6

/** What of a copy takes work in another go that is for chosen questions only. */
export interface GoPart {
  /** The areas of a page that are open; none: the page is only to be seen. */
  areasOn(page: string): readonly Box[]
}

/**
 * The part of a copy that another go is for; nothing: all of it, as where none of the questions is on this copy.
 * `questions`: those that the copy has, with their areas on its pages.
 */
export function goPartOf(
  goFor: readonly string[] | null,
  questions: readonly Pick<Question, 'id' | 'areas'>[],
): GoPart | undefined {
  if (goFor === null) return undefined
  const areas = questions.filter(({ id }) => goFor.includes(id)).flatMap((question) => question.areas)
  return areas.length === 0 ? undefined : { areasOn: (page) => areas.filter((area) => area.page === page) }
}

/** Whether work may begin at a place of a page. */
export const isOpenAt = (part: GoPart, page: string, { x, y }: Point): boolean =>
  part
    .areasOn(page)
    .some(
      (area) =>
        x >= area.x - ROOM &&
        y >= area.y - ROOM &&
        x <= area.x + area.width + ROOM &&
        y <= area.y + area.height + ROOM,
    )

/** What must be known of a page to say where an act on it lies. */
export interface LaidOn {
  /** What lies there under an id, or lay there and was taken. */
  itemOf(id: string): Item | undefined
  /** Where something printed is. */
  boxOf(printed: string): Box | undefined
}

/** Whether something lies in the open part: ink where it begins, an answer where its place is, all else with its middle. */
export function liesIn(part: GoPart, page: string, item: Item, { boxOf }: Pick<LaidOn, 'boxOf'>): boolean {
  if (item.kind === 'reply') return true
  const at = placeOf(item, boxOf)
  return at !== undefined && isOpenAt(part, page, at)
}

function placeOf(item: Item, boxOf: LaidOn['boxOf']): Point | undefined {
  if (item.kind === 'stroke') return strokePoints(item)[0]
  const { bounds, names } = kindOfItem(item)
  if (bounds) {
    const { x0, y0, x1, y1 } = boundsOfItem(item)
    return { x: (x0 + x1) / 2, y: (y0 + y1) / 2 }
  }
  const named = names?.(item).printed
  const box = named === undefined ? undefined : boxOf(named)
  return box && middle(box)
}

/**
 * Whether an act stays in the open part of a copy: what it lays down, and what it touches, before and after. What is
 * not known is on its way, and was judged when it was laid down.
 */
export function staysIn(part: GoPart, event: PageEvent, laid: LaidOn): boolean {
  const { page } = event
  const lies = (item: Item) => liesIn(part, page, item, laid)
  const isOpen = (id: string, becomes: (item: Item) => Item = (item) => item) => {
    const item = laid.itemOf(id)
    return !item || (lies(item) && lies(becomes(item)))
  }
  switch (event.act) {
    case 'add':
      return event.items.every(lies)
    case 'take':
    case 'bring':
    case 'recolour':
      return event.items.every((id) => isOpen(id))
    case 'move':
      return event.items.every((id) => isOpen(id, (item) => kindOfItem(item).moved?.(item, event.by) ?? item))
    case 'change':
      return isOpen(event.item, (item) => kindOfItem(item).changed?.(item, event.set) ?? item)
    case 'swap':
      // The pieces of what was open belong to it, wherever it went.
      return (
        [...event.take, ...event.bring].every((id) => isOpen(id)) &&
        (event.take.length > 0 || event.items.every(lies))
      )
    case 'sheet':
      return false
  }
}
