import {
  type Bounds,
  boundsAround,
  type Item,
  isThing,
  item,
  moved,
  similarity,
  type Thing,
} from '@hand-back/core'
import { z } from 'zod'

/** Ink and things as they travel through the device's clipboard, to other pages and copies. */
const carried = z.object({ handBackWork: z.array(item).min(1).max(2000), copy: z.uuid() })
export type Carried = z.infer<typeof carried>

const KEY = 'copied work'

/** Copies things: to the device's clipboard where it lets us, and to this tab's own memory. */
export function copyWork(items: readonly Item[], copy: string): string {
  const text = JSON.stringify({ handBackWork: [...items], copy } satisfies Carried)
  try {
    sessionStorage.setItem(KEY, text)
  } catch {
    // Too large for the tab's memory: the device's clipboard has it.
  }
  void navigator.clipboard?.writeText(text).catch(() => {})
  return text
}

/** What was copied in this tab last. */
export function lastCopied(): Carried | undefined {
  try {
    return readWork(sessionStorage.getItem(KEY) ?? '')
  } catch {
    return undefined
  }
}

/** Ink and things in a text of the clipboard; nothing when it is something else. */
export function readWork(text: string): Carried | undefined {
  try {
    return carried.safeParse(JSON.parse(text)).data
  } catch {
    return undefined
  }
}

/**
 * What was copied, to be put on a page under ids of its own: where it lay, a little aside when it is
 * there already, and never off the page.
 */
export function pasted(
  { handBackWork }: Carried,
  there: ReadonlySet<string>,
  page: { width: number; height: number },
  aside: number,
): Item[] {
  const same = handBackWork.some(({ id }) => there.has(id))
  const by = intoPage(boundsAround(handBackWork), same ? aside : 0, page)
  return handBackWork.map((each) => ({ ...moved(each, by), id: crypto.randomUUID() }))
}

function intoPage(bounds: Bounds | undefined, aside: number, page: { width: number; height: number }) {
  if (!bounds) return similarity.translation(aside, aside)
  const into = (from: number, to: number, room: number) => {
    const moves = from + aside > room - 10 || to + aside < 10
    return moves ? Math.max(0, (room - (to - from)) / 2) - from : aside
  }
  return similarity.translation(
    into(bounds.x0, bounds.x1, page.width),
    into(bounds.y0, bounds.y1, page.height),
  )
}

/** The recordings that pasted pictures show. */
export const picturesIn = (items: readonly Item[]): Extract<Thing, { kind: 'picture' }>[] =>
  items.filter(
    (each): each is Extract<Thing, { kind: 'picture' }> => isThing(each) && each.kind === 'picture',
  )
