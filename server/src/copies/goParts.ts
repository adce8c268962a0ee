import {
  type GoPart,
  goPartOf,
  type Item,
  isForSet,
  kindOfItem,
  type LaidOn,
  type Page,
  type PageEvent,
  type Question,
} from '@hand-back/core'
import type pg from 'pg'
import { pagesAfter } from './pagesAfter.ts'
import type { CopyRecord } from './place.ts'
import type { PrintedOn } from './printedOn.ts'
import { fromStoredByCopy } from './storedEvent.ts'

/** What a copy in a go for chosen questions takes work in, and what lies on its pages. */
export interface PartOfCopy {
  readonly open: GoPart
  laidOn(page: string): LaidOn
  /** What was just kept lies there for what comes after it. */
  keep(event: PageEvent): void
}

/**
 * For copies in a go that is for chosen questions: the part that takes work. The logs of those that are `touched`, by
 * more than what is newly laid down, are read for where that lies.
 */
export async function goPartsIn(
  client: pg.PoolClient,
  copies: Iterable<CopyRecord>,
  touched: ReadonlySet<string>,
  printedOn: (versionId: string) => Promise<PrintedOn>,
): Promise<Map<string, PartOfCopy>> {
  const limited = [...copies].filter(({ goFor }) => goFor !== null)
  const parts = new Map<string, PartOfCopy>()
  if (limited.length === 0) return parts
  const { rows } = await client.query<{ id: string; questions: Question[] }>(
    'SELECT id, questions FROM worksheet_version WHERE id = ANY($1)',
    [limited.map(({ versionId }) => versionId)],
  )
  const asking = limited.flatMap(({ id }) => (touched.has(id) ? [id] : []))
  const laid = asking.length > 0 ? await workIn(client, asking) : undefined
  for (const { id, versionId, goFor, setId, dealt } of limited) {
    const printed = await printedOn(versionId)
    const own = (page: string) => {
      const on = printed.get(page)
      return on !== undefined && isForSet(on, setId) && (!dealt || dealt.includes(page))
    }
    const asked = (rows.find((row) => row.id === versionId)?.questions ?? []).map((question) => ({
      ...question,
      areas: question.areas.filter(({ page }) => own(page)),
    }))
    const open = goPartOf(goFor, asked)
    const fresh = new Map<string, Item>()
    if (open)
      parts.set(id, {
        open,
        keep: (event) => layOn(fresh, event, laid?.get(id)?.get(event.page)),
        laidOn: (page) => ({
          itemOf: (item) => fresh.get(item) ?? laid?.get(id)?.get(page)?.get(item),
          boxOf: (item) => printed.get(page)?.boxes.get(item),
        }),
      })
  }
  return parts
}

/** What students laid on the pages of copies, by copy, page and id, with what was taken again. */
async function workIn(client: pg.PoolClient, copies: readonly string[]) {
  const { rows } = await client.query(
    `SELECT copy_id AS copy, id, layer, seq, author_id AS author, round, extract(epoch FROM kept_at) * 1000 AS "keptAt",
      body, ink, log_version AS version
     FROM event WHERE copy_id = ANY($1) AND layer = 'work' ORDER BY copy_id, seq`,
    [copies],
  )
  const laid = new Map<string, Map<string, Map<string, Item>>>()
  for (const [copy, events] of fromStoredByCopy(rows)) {
    const byPage = new Map<string, typeof events>()
    for (const event of events) byPage.set(event.page, [...(byPage.get(event.page) ?? []), event])
    laid.set(copy, new Map([...byPage].map(([page, own]) => [page, itemsOf(pagesAfter(own))])))
  }
  return laid
}

function layOn(
  fresh: Map<string, Item>,
  event: PageEvent,
  before: ReadonlyMap<string, Item> | undefined,
): void {
  if (event.act === 'add' || event.act === 'swap') for (const item of event.items) fresh.set(item.id, item)
  if (event.act !== 'move') return
  for (const id of event.items) {
    const item = fresh.get(id) ?? before?.get(id)
    if (item) fresh.set(id, kindOfItem(item).moved?.(item, event.by) ?? item)
  }
}

function itemsOf(pages: readonly Page[]): Map<string, Item> {
  return new Map(
    pages.flatMap(({ placed }) => [...placed.values()].map(({ item }) => [item.id, item] as const)),
  )
}
