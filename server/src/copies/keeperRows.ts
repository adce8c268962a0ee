import {
  attachmentsOf,
  type Box,
  type Exchange,
  type KeptEvent,
  type Layer,
  LOG_VERSION,
  opened,
  type PageEvent,
} from '@hand-back/core'
import type pg from 'pg'
import { COPY_FIELDS, type CopyRecord } from './place.ts'
import type { PrintedOn } from './printedOn.ts'
import { SEEN_BY_STUDENTS } from './seenAttachments.ts'
import { toStored } from './storedEvent.ts'

/** A copy that is held until the transaction ends. */
export interface HeldCopy extends CopyRecord {
  readonly seqs: Record<Layer, number>
  bytes: number
}

/** What a batch did to one copy: its new events, and what they began: the work, or the marking. */
export interface Written {
  readonly copy: HeldCopy
  readonly events: KeptEvent[]
  markingBegan: boolean
  opened: boolean
}

export const PRINTED_ON = `SELECT p.id, p.sets, i->>'id' AS item, i->>'kind' AS kind,
    (i->>'x')::float8 AS x, (i->>'y')::float8 AS y, (i->>'width')::float8 AS width, (i->>'height')::float8 AS height
  FROM worksheet_page p
  LEFT JOIN LATERAL jsonb_array_elements(p.printed) AS i ON true WHERE p.version_id = $1`

interface PrintedRow extends Box {
  readonly id: string
  readonly sets: string[] | null
  readonly item: string | null
  readonly kind: string
}

/** What is printed on each page, by page. */
export function readPrintedOn(rows: readonly PrintedRow[]): PrintedOn {
  const pages = new Map<
    string,
    { sets: string[] | undefined; items: Map<string, string>; boxes: Map<string, Box> }
  >()
  for (const { id, sets, item, kind, ...box } of rows) {
    const page = pages.get(id) ?? { sets: sets ?? undefined, items: new Map(), boxes: new Map() }
    if (item) {
      page.items.set(item, kind)
      page.boxes.set(item, box)
    }
    pages.set(id, page)
  }
  return pages
}

/** The copies that a batch writes in, held until the transaction ends, and which of its events are there already. */
export interface Held {
  readonly copies: ReadonlyMap<string, HeldCopy>
  readonly there: Map<string, { copy: string; seq: number; round: number }>
}

/** Holds copies for writing; in order of id, so that two batches never wait for each other in a circle. */
export async function holdCopies(
  client: pg.PoolClient,
  ids: readonly string[],
  events: readonly string[],
): Promise<Held> {
  const { rows } = await client.query(
    `SELECT ${COPY_FIELDS},
       json_build_object('work', c.work_seq, 'help', c.help_seq, 'feedback', c.feedback_seq, 'pins', c.pins_seq) AS seqs
     FROM copy c JOIN handout h ON h.id = c.handout_id
     WHERE c.id = ANY($1) ORDER BY c.id FOR UPDATE OF c`,
    [ids],
  )
  // Once they are held, and in one query: each way to the database and back costs more than what it brings.
  const { rows: known } = await client.query(
    `SELECT
       (SELECT coalesce(json_agg(json_build_object('copy', m.copy_id, 'id', m.student_id, 'pages', m.pages)), '[]')
          FROM copy_member m WHERE m.copy_id = ANY($1) AND m.left_at IS NULL) AS members,
       (SELECT coalesce(json_agg(json_build_object('id', e.id, 'copy', e.copy_id, 'seq', e.seq, 'round', e.round)), '[]')
          FROM event e WHERE e.id = ANY($2)) AS there`,
    [ids, events],
  )
  const { members, there } = known[0] as {
    members: (CopyRecord['members'][number] & { copy: string })[]
    there: { id: string; copy: string; seq: number; round: number }[]
  }
  const membersOf = new Map<string, CopyRecord['members'][number][]>()
  for (const { copy, id, pages } of members)
    membersOf.set(copy, [...(membersOf.get(copy) ?? []), { id, pages }])
  return {
    copies: new Map(rows.map((row) => [row.id, { ...row, members: membersOf.get(row.id) ?? [] }])),
    there: new Map(there.map((row) => [row.id, row])),
  }
}

/** The attachments of a copy: those that its students may see, and all. */
export interface CopyAttachments {
  readonly seen: Set<string>
  readonly all: Set<string>
}

/** The attachments of the copies of a batch where an event names one. */
export async function attachmentsIn(
  client: pg.PoolClient,
  batch: readonly { copy: string; events: readonly PageEvent[] }[],
): Promise<Map<string, CopyAttachments>> {
  const named = batch.filter(({ events }) => events.some((event) => attachmentsOf(event).length > 0))
  const found = new Map<string, CopyAttachments>()
  if (named.length === 0) return found
  const { rows } = await client.query(
    `SELECT r.id, r.copy_id AS copy, (${SEEN_BY_STUDENTS}) AS seen
     FROM attachment r JOIN copy c ON c.id = r.copy_id JOIN handout h ON h.id = c.handout_id
     WHERE r.copy_id = ANY($1) AND r.id = ANY($2)`,
    [
      named.map(({ copy }) => copy),
      named.flatMap(({ events }) => events.flatMap((event) => attachmentsOf(event))),
    ],
  )
  for (const { id, copy, seen } of rows) {
    const of = found.get(copy) ?? { seen: new Set(), all: new Set() }
    of.all.add(id)
    if (seen) of.seen.add(id)
    found.set(copy, of)
  }
  return found
}

/** The pages that somebody laid into copies. */
export async function pagesLaidIn(
  client: pg.PoolClient,
  copies: string[],
): Promise<Map<string, Set<string>>> {
  const { rows } = await client.query(
    `SELECT DISTINCT copy_id AS copy, body->>'page' AS page FROM event
     WHERE copy_id = ANY($1) AND layer = 'work' AND body->>'act' = 'sheet' AND body->'set' ? 'ruling'`,
    [copies],
  )
  const pages = new Map<string, Set<string>>()
  for (const { copy, page } of rows) pages.set(copy, (pages.get(copy) ?? new Set()).add(page))
  return pages
}

/** What was exchanged for what in the students' work of copies, by copy and page, in order. */
export async function exchangedIn(
  client: pg.PoolClient,
  copies: string[],
): Promise<Map<string, Map<string, Exchange[]>>> {
  const { rows } = await client.query(
    `SELECT copy_id AS copy, body->>'page' AS page, body->'take' AS take,
       jsonb_path_query_array(body, '$.items[*].id') AS items
     FROM event WHERE copy_id = ANY($1) AND layer = 'work' AND body->>'act' = 'swap' ORDER BY copy_id, seq`,
    [copies],
  )
  const found = new Map<string, Map<string, Exchange[]>>()
  for (const { copy, page, ...exchange } of rows) {
    const pages = found.get(copy) ?? new Map<string, Exchange[]>()
    found.set(copy, pages.set(page, [...(pages.get(page) ?? []), exchange]))
  }
  return found
}

/** The ids of all sheets of paper that were ever laid on pages of copies, by copy. */
export async function scansIn(client: pg.PoolClient, copies: string[]): Promise<Map<string, Set<string>>> {
  const { rows } = await client.query(
    `SELECT copy_id AS copy, item->>'id' AS id FROM event, jsonb_array_elements(body->'items') AS item
     WHERE copy_id = ANY($1) AND layer = 'work' AND body->'items' @> '[{"kind": "scan"}]' AND item->>'kind' = 'scan'`,
    [copies],
  )
  const found = new Map<string, Set<string>>()
  for (const { copy, id } of rows) found.set(copy, (found.get(copy) ?? new Set()).add(id))
  return found
}

/**
 * Writes all new events of a batch at once, and tells their copies how far their logs have come and what the batch began
 * with them.
 */
export async function keepWritten(client: pg.PoolClient, written: readonly Written[]): Promise<void> {
  const rows = written.flatMap(({ copy, events }) =>
    events.map((event) => ({ copy, event, stored: toStored(event) })),
  )
  const column = <T>(of: (row: (typeof rows)[number]) => T) => rows.map(of)
  const bodies = column(({ stored }) => JSON.stringify(stored.body))
  for (const [index, { copy, stored }] of rows.entries())
    copy.bytes += bodies[index]!.length + stored.ink.length
  const ofCopies = <T>(of: (each: Written) => T) => written.map(of)
  await client.query(
    `WITH kept AS (
       INSERT INTO event (copy_id, layer, seq, id, author_id, round, kept_at, body, ink, log_version)
       SELECT *, $10::smallint FROM unnest($1::uuid[], $2::text[], $3::int[], $4::uuid[], $5::uuid[], $6::int[],
         $7::timestamptz[], $8::jsonb[], $9::bytea[])
     )
     UPDATE copy c SET work_seq = n.work, help_seq = n.help, feedback_seq = n.feedback, pins_seq = n.pins,
       marking_began = c.marking_began OR n.began, state = n.state, bytes = n.bytes
     FROM unnest($11::uuid[], $12::int[], $13::int[], $14::int[], $15::int[], $16::boolean[], $17::text[], $18::bigint[])
       AS n(id, work, help, feedback, pins, began, state, bytes)
     WHERE c.id = n.id`,
    [
      column(({ copy }) => copy.id),
      column(({ event }) => event.layer),
      column(({ event }) => event.seq),
      column(({ event }) => event.id),
      column(({ event }) => event.author),
      column(({ event }) => event.round),
      column(({ event }) => new Date(event.keptAt)),
      bodies,
      column(({ stored }) => stored.ink),
      LOG_VERSION,
      ofCopies(({ copy }) => copy.id),
      ofCopies(({ copy }) => copy.seqs.work),
      ofCopies(({ copy }) => copy.seqs.help),
      ofCopies(({ copy }) => copy.seqs.feedback),
      ofCopies(({ copy }) => copy.seqs.pins),
      ofCopies(({ markingBegan }) => markingBegan),
      ofCopies(({ copy, opened: begun }) => (begun ? opened(copy) : copy).state),
      ofCopies(({ copy }) => copy.bytes),
    ],
  )
}
