import {
  fromBase64,
  type Item,
  type KeptEvent,
  type PageEvent,
  type Stroke,
  toBase64,
  upToDate,
} from '@hand-back/core'

/** An event as the database holds it: packed ink as bytes, in order of its strokes, all else as JSON. */
export interface StoredEvent {
  readonly body: unknown
  readonly ink: Buffer
}

type InkLength = Omit<Stroke, 'points'> & { points: number }
type Body = Pick<PageEvent, 'act' | 'page' | 'madeAt'> & { items?: unknown[]; undoes?: string }

/** Law: `fromStored(toStored(e), …)` is `e` with what the server added. */
export function toStored(event: PageEvent): StoredEvent {
  const { id: _id, layer: _layer, ...body } = event
  if (body.act !== 'add' && body.act !== 'swap') return { body, ink: Buffer.alloc(0) }
  const ink: Uint8Array[] = []
  const items = body.items.map((item): Exclude<Item, Stroke> | InkLength => {
    if (item.kind !== 'stroke') return item
    const bytes = fromBase64(item.points)
    ink.push(bytes)
    return { ...item, points: bytes.length }
  })
  return { body: { ...body, items }, ink: Buffer.concat(ink) }
}

export interface EventRow extends StoredEvent {
  readonly id: string
  readonly layer: string
  readonly seq: number
  readonly author: string
  readonly round: number
  readonly keptAt: number
  readonly version: number
}

/** Throws for an event that a newer version of the house has written. */
export function fromStored({ body, ink, version, ...kept }: EventRow): KeptEvent {
  const told = upToDate(body as Body, version)
  if (told.act !== 'add' && told.act !== 'swap') return { ...told, ...kept } as unknown as KeptEvent
  let at = 0
  const items = (told.items as (InkLength | Item)[]).map((item) => {
    if (item.kind !== 'stroke' || typeof item.points !== 'number') return item
    const points = toBase64(ink.subarray(at, at + item.points))
    at += item.points
    return { ...item, points }
  })
  return { ...told, items, ...kept } as unknown as KeptEvent
}

/** Events of several copies, as rows of the database tell them, in their order by copy. */
export function fromStoredByCopy(rows: readonly Record<string, unknown>[]): Map<string, KeptEvent[]> {
  const found = new Map<string, KeptEvent[]>()
  for (const { copy, ...row } of rows as unknown as (EventRow & { copy: string })[]) {
    const events = found.get(copy) ?? []
    found.set(copy, events)
    events.push(fromStored({ ...row, keptAt: Number(row.keptAt) }))
  }
  return found
}
