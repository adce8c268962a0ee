import * as similarity from '../ink/similarity.ts'
import type { Stroke } from '../ink/stroke.ts'
import type { Ink } from '../kinds/ink.ts'
import { type Item, THING_KINDS } from '../kinds/items.ts'
import type { Printed, PrintedItem } from '../kinds/printed.ts'
import { turning } from '../kinds/turned.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import { type Coming, comingTalk } from './comingTalk.ts'
import type { TalkThrough } from './replay.ts'

/** A talk-through that is printed on a worksheet. */
export interface PrintedTalk {
  readonly through: TalkThrough
  /** The pages without what comes while it is heard. */
  readonly pages: readonly WorksheetPage[]
}

/**
 * The talk-through of a printed voice, as if all that is printed had been laid there when it came. Things of kinds that
 * nobody lays on a copy (places for answers, pieces of paper) are there from the beginning. What was taken away since
 * does not come. Nothing, where nothing comes.
 */
export function printedTalk(
  pages: readonly WorksheetPage[],
  { seconds, shows }: Printed<'voice'>,
): PrintedTalk | undefined {
  if (!shows) return undefined
  const when = new Map(shows.things.map(([second, id]) => [id, second]))
  const coming: Coming[] = []
  const bare = pages.map((page) => {
    const printed = page.printed.filter((each) => {
      const second = when.get(each.id)
      const item = second === undefined ? undefined : asLaid(each)
      if (item) coming.push({ second: second!, page: page.id, item })
      return !item
    })
    return printed.length === page.printed.length ? page : { ...page, printed }
  })
  const order = new Map(shows.things.map(([, id], index) => [id, index]))
  coming.sort((one, other) => order.get(one.item.id)! - order.get(other.item.id)!)
  if (coming.length === 0 && shows.turns.length < 2) return undefined
  return { through: comingTalk(seconds, shows.turns, coming), pages: bare }
}

/** A printed thing as one that somebody laid down; nothing where there are none of its kind. */
function asLaid(item: PrintedItem): Item | undefined {
  if (item.kind === 'ink') return { ...strokeOf(item), id: item.id }
  if (item.kind === 'film' || !(item.kind in THING_KINDS)) return undefined
  const { locked: _locked, sets: _sets, ...thing } = item
  return { turn: 0, ...thing } as Item
}

/** A printed stroke where it is seen on the page. */
function strokeOf({ stroke, inner, ...box }: Ink): Stroke {
  const times = inner.width > inner.height ? box.width / inner.width : box.height / inner.height
  const factor = Number.isFinite(times) && times > 0 ? times : 1
  const laid = { a: factor, b: 0, e: box.x - factor * inner.x, f: box.y - factor * inner.y }
  const lies = similarity.compose(laid, turning(box))
  return { ...stroke, lies: stroke.lies ? similarity.compose(stroke.lies, lies) : lies }
}
