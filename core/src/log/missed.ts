import type { Page } from './apply.ts'

/**
 * What of somebody’s work on a page was taken away, to be brought back, and what is left of it in pieces,
 * to be taken in exchange: a stroke and its own pieces never lie there together.
 */
export function missedOf(page: Page, author: string): { bring: string[]; take: string[] } {
  const bring: string[] = []
  const take: string[] = []
  const whole = new Set<string>()
  // A piece stands after what it is a piece of.
  for (const placed of page.placed.values()) {
    if (placed.layer !== 'work') continue
    const { id } = placed.item
    if (placed.from?.some((of) => whole.has(of))) {
      whole.add(id)
      if (!placed.taken) take.push(id)
    } else if (placed.taken && !placed.from && placed.author === author) {
      whole.add(id)
      bring.push(id)
    }
  }
  return { bring, take }
}

/** What an exchange took away and what it laid there instead, by their ids. */
export interface Exchange {
  readonly take: readonly string[]
  readonly items: readonly string[]
}

/**
 * All that can be a piece of some strokes, and pieces of those, by what was exchanged on their page, in
 * order: nothing else is ever to be taken in exchange for them.
 */
export function piecesOf(strokes: readonly string[], exchanges: readonly Exchange[]): Set<string> {
  const whole = new Set(strokes)
  const pieces = new Set<string>()
  for (const { take, items } of exchanges) {
    if (!take.some((id) => whole.has(id) || pieces.has(id))) continue
    for (const id of items) pieces.add(id)
  }
  return pieces
}
