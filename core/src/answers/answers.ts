import type { Answer } from '../kinds/answer.ts'
import type { Card, MovedCard } from '../kinds/card.ts'
import type { Drop } from '../kinds/drop.ts'
import type { Item } from '../kinds/items.ts'
import { type Box, bottom, right, sharedArea } from '../worksheet/box.ts'
import type { WorksheetPage } from '../worksheet/page.ts'

/**
 * The id of the answer at a place of a copy: always the same, so that two devices that both begin an
 * answer begin the same one. The bits of both ids combined, marked as a UUID of version 8 (RFC 9562).
 */
export function answerId(copy: string, place: string): string {
  const digits = (id: string) => id.replaceAll('-', '')
  const [a, b] = [digits(copy), digits(place)]
  let mixed = ''
  for (let index = 0; index < 32; index++)
    mixed += (Number.parseInt(a[index]!, 16) ^ Number.parseInt(b[index]!, 16)).toString(16)
  const variant = ((Number.parseInt(mixed[16]!, 16) & 3) | 8).toString(16)
  const id = `${mixed.slice(0, 12)}8${mixed.slice(13, 16)}${variant}${mixed.slice(17)}`
  return [id.slice(0, 8), id.slice(8, 12), id.slice(12, 16), id.slice(16, 20), id.slice(20)].join('-')
}

/** What was answered, by place. The last of two for one place counts. */
export function answersIn(items: Iterable<Item>): Map<string, Answer> {
  const answers = new Map<string, Answer>()
  for (const item of items) if (item.kind === 'answer') answers.set(item.place, item)
  return answers
}

/** A card as it lies on a page: its face and size from what is printed, its place from the copy. */
export interface LyingCard {
  /** The id of the item that says where it lies; of a card nobody moved, the id that it will get. */
  readonly id: string
  readonly card: Card
  readonly box: Box
  /** Somebody moved it. */
  readonly moved: boolean
}

/**
 * Every card that lies on a page of a copy, from below: single cards where they were printed or moved
 * to, and those taken from stacks. What lies outside the page is brought to its rim.
 */
export function cardsOn(page: WorksheetPage, items: Iterable<Item>, copy: string): LyingCard[] {
  const printed = new Map<string, Card>()
  for (const item of page.printed) if (item.kind === 'card') printed.set(item.id, item)
  const cards = new Map<string, LyingCard>()
  for (const card of printed.values()) {
    if (card.stack) continue
    const { x, y, width, height } = card
    const id = answerId(copy, card.id)
    cards.set(id, { id, card, box: { x, y, width, height }, moved: false })
  }
  for (const item of items) {
    if (item.kind !== 'card') continue
    const card = printed.get(item.card)
    if (!card) continue
    cards.delete(item.id)
    cards.set(item.id, { id: item.id, card, box: boxOfCard(item, card, page), moved: true })
  }
  return [...cards.values()]
}

function boxOfCard(at: MovedCard, { width, height }: Card, page: WorksheetPage): Box {
  return {
    x: Math.min(Math.max(0, at.x), Math.max(0, page.width - width)),
    y: Math.min(Math.max(0, at.y), Math.max(0, page.height - height)),
    width,
    height,
  }
}

/** The part of a card that must lie over a drop place for it to be dropped there. */
const ENOUGH = 0.35

/** The drop place that a card let go at `box` falls into: the one that it covers most, if it covers it enough. */
export function dropPlaceUnder(page: WorksheetPage, box: Box): Drop | undefined {
  let best: { place: Drop; area: number } | undefined
  for (const place of page.printed) {
    if (place.kind !== 'drop') continue
    const area = sharedArea(place, box)
    if (area > (best?.area ?? 0)) best = { place, area }
  }
  return best && best.area >= ENOUGH * box.width * box.height ? best.place : undefined
}

/** Where a card comes to lie that was let go at `box`: wholly inside its drop place where it fits, else just there. */
export function settle(page: WorksheetPage, box: Box): { x: number; y: number } {
  const place = dropPlaceUnder(page, box)
  const area: Box = place ?? { x: 0, y: 0, width: page.width, height: page.height }
  const clamp = (at: number, length: number, from: number, to: number) =>
    length > to - from ? from + (to - from - length) / 2 : Math.min(Math.max(at, from), to - length)
  return {
    x: clamp(box.x, box.width, area.x, right(area)),
    y: clamp(box.y, box.height, area.y, bottom(area)),
  }
}

/** The printed cards that lie in a drop place of a copy: what the key is compared with. */
export function cardsInPlace(page: WorksheetPage, place: string, cards: readonly LyingCard[]): string[] {
  return cards.flatMap(({ card, box }) => (dropPlaceUnder(page, box)?.id === place ? [card.id] : []))
}
