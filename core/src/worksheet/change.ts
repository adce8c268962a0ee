import { moveItem, type PrintedItem } from '../kinds/printed.ts'
import { seenBox, unturned } from '../kinds/turned.ts'
import { showsOf } from '../talk/shows.ts'
import { type Box, holds, middle, within } from './box.ts'
import { paperBoxOf, type WorksheetPage } from './page.ts'
import type { QuarterTurn } from './paper.ts'
import type { Sheet } from './sheet.ts'

/** A page turned by a quarter, clockwise. Things go along with their places and stay upright. */
export function turnPage(page: WorksheetPage): WorksheetPage {
  const turned = (box: Box): Box => {
    const at = middle(box)
    return { ...box, x: page.height - at.y - box.width / 2, y: at.x - box.height / 2 }
  }
  const lying = (box: Box): Box => ({
    x: page.height - box.y - box.height,
    y: box.x,
    width: box.height,
    height: box.width,
  })
  const paper =
    page.paper.kind === 'ruled'
      ? page.paper
      : { ...page.paper, turn: (((page.paper.turn ?? 0) + 90) % 360) as QuarterTurn }
  return {
    ...page,
    width: page.height,
    height: page.width,
    paper,
    ...(page.paperBox ? { paperBox: lying(page.paperBox) } : {}),
    printed: page.printed.map((item) => ({ ...item, ...turned(item) })),
  }
}

/** A page again, with ids of its own; `ids` tells which of its things became which. */
export function duplicatePage(
  page: WorksheetPage,
  newId: () => string,
): { page: WorksheetPage; ids: Map<string, string> } {
  const ids = new Map<string, string>()
  const id = newId()
  for (const item of page.printed) ids.set(item.id, newId())
  const printed = page.printed.map((item) => namesAnew(item, ids, new Map([[page.id, id]])))
  return { page: { ...page, id, printed }, ids }
}

/** A thing with an id of its own that names the copies of what was copied along with it. */
export function namesAnew<Item extends PrintedItem>(
  item: Item,
  ids: ReadonlyMap<string, string>,
  pages: ReadonlyMap<string, string>,
): Item {
  const again: PrintedItem = { ...item, id: ids.get(item.id) ?? item.id }
  if (again.kind === 'link' && again.to.kind === 'page')
    return { ...again, to: { ...again.to, page: pages.get(again.to.page) ?? again.to.page } } as Item
  if (again.kind === 'voice' && again.shows)
    return { ...again, shows: showsOf(again.shows, ids, pages) } as Item
  return again as Item
}

/** Pages again, right after the last of them, with their keys. */
export function duplicatePages(
  sheet: Sheet,
  pages: ReadonlySet<string>,
  newId: () => string,
): { sheet: Sheet; made: string[] } {
  const chosen = sheet.pages.filter(({ id }) => pages.has(id))
  if (chosen.length === 0) return { sheet, made: [] }
  const copies = chosen.map((page) => duplicatePage(page, newId))
  const after = sheet.pages.indexOf(chosen.at(-1)!) + 1
  const keys = { ...sheet.keys }
  for (const { ids } of copies)
    for (const [from, to] of ids) if (sheet.keys[from]) keys[to] = movedKey(sheet.keys[from], ids)
  const made = copies.map(({ page }) => page)
  return {
    sheet: { ...sheet, keys, pages: [...sheet.pages.slice(0, after), ...made, ...sheet.pages.slice(after)] },
    made: made.map(({ id }) => id),
  }
}

/** A whole sheet again, everything with an id of its own and pointing at its own. */
export function duplicateSheet(sheet: Sheet, newId: () => string): Sheet {
  const pageIds = new Map(sheet.pages.map(({ id }) => [id, newId()]))
  const setIds = new Map(sheet.sets.map(({ id }) => [id, newId()]))
  const ids = new Map<string, string>()
  const ofSets = <T extends { sets?: string[] | undefined }>(each: T): T =>
    each.sets ? { ...each, sets: each.sets.map((id) => setIds.get(id) ?? id) } : each
  for (const { printed } of sheet.pages) for (const { id } of printed) ids.set(id, newId())
  const pages = sheet.pages.map((page) => ({
    ...ofSets(page),
    id: pageIds.get(page.id)!,
    printed: page.printed.map((item) => namesAnew(ofSets(item), ids, pageIds)),
  }))
  return {
    pages,
    sets: sheet.sets.map((set) => ({ ...set, id: setIds.get(set.id)! })),
    questions: sheet.questions.map((question) => ({
      ...question,
      id: newId(),
      areas: question.areas.map((area) => ({ ...area, page: pageIds.get(area.page) ?? area.page })),
    })),
    keys: Object.fromEntries(
      Object.entries(sheet.keys).map(([id, key]) => [ids.get(id) ?? id, movedKey(key, ids)]),
    ),
  }
}

/** A key whose cards were copied along names the copies. */
export function movedKey(
  key: Sheet['keys'][string],
  ids: ReadonlyMap<string, string>,
): Sheet['keys'][string] {
  return key.kind === 'cards' ? { ...key, cards: key.cards.map((card) => ids.get(card) ?? card) } : key
}

/**
 * Pages moved so that they stand together before the page `before` (at the end where it is undefined),
 * in the order that they had.
 *
 * Laws: no page is lost or doubled; pages that were not moved keep their order.
 */
export function movePages(
  pages: readonly WorksheetPage[],
  moved: ReadonlySet<string>,
  before: string | undefined,
): WorksheetPage[] {
  const going = pages.filter(({ id }) => moved.has(id))
  const staying = pages.filter(({ id }) => !moved.has(id))
  // A page that itself moves stands for the next one that stays.
  const from = pages.findIndex(({ id }) => id === before)
  const anchor = from < 0 ? undefined : pages.slice(from).find(({ id }) => !moved.has(id))
  const at = anchor ? staying.indexOf(anchor) : staying.length
  return [...staying.slice(0, at), ...going, ...staying.slice(at)]
}

/**
 * What a box cut out of a page holds: a piece of its paper as large as the box, from 0,0, with a copy of
 * everything printed that lies wholly inside. A ruled or empty part gives the things alone.
 */
export function cutOut(page: WorksheetPage, cut: Box, newId: () => string): PrintedItem[] {
  const paperBox = paperBoxOf(page)
  const inside = page.printed.filter((item) => within(cut, seenBox(item)))
  const ids = new Map(inside.map(({ id }) => [id, newId()]))
  const items = inside.map((item) => namesAnew(moveItem(item, -cut.x, -cut.y), ids, new Map()))
  const x0 = Math.max(cut.x, paperBox.x)
  const y0 = Math.max(cut.y, paperBox.y)
  const x1 = Math.min(cut.x + cut.width, paperBox.x + paperBox.width)
  const y1 = Math.min(cut.y + cut.height, paperBox.y + paperBox.height)
  const bare = page.paper.kind === 'ruled' && page.paper.ruling.form === 'plain'
  if (bare || x1 <= x0 || y1 <= y0) return items
  const part = { x: x0 - paperBox.x, y: y0 - paperBox.y, width: x1 - x0, height: y1 - y0 }
  const piece: PrintedItem = {
    id: newId(),
    kind: 'piece',
    x: x0 - cut.x,
    y: y0 - cut.y,
    width: part.width,
    height: part.height,
    paper: page.paper,
    whole: { width: paperBox.width, height: paperBox.height },
    part,
    alt: '',
  }
  return [piece, ...items]
}

/** The uppermost item at a place, or one that a box of `reach` points around the place meets. */
export function itemAt(
  items: readonly PrintedItem[],
  at: { x: number; y: number },
  reach = 0,
): PrintedItem | undefined {
  const near = (item: PrintedItem) => ({
    x: item.x - reach,
    y: item.y - reach,
    width: item.width + 2 * reach,
    height: item.height + 2 * reach,
  })
  return (
    items.findLast((item) => holds(item, unturned(item, at))) ??
    items.findLast((item) => holds(near(item), unturned(item, at)))
  )
}
