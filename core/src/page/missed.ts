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
