import type { Pin, PinAgreed, PinAnswer, PinDone } from '../kinds/pin.ts'
import type { Page } from '../log/apply.ts'

/** Something that was said at a place, or an answer to it, with who said it and who agrees. */
export interface SaidThere<Item> {
  readonly item: Item
  readonly author: string
  /** Whoever agrees, each once, in the order in which they did. */
  readonly agreed: readonly PinAgreed[]
  readonly agreedBy: readonly string[]
}

/** What was said at one place of a page. */
export interface Pinned extends SaidThere<Pin> {
  readonly answers: readonly SaidThere<PinAnswer>[]
  /** Those by which it is done: taken away, it is not done any more. */
  readonly done: readonly PinDone[]
}

/**
 * What is pinned to a page, from the top to the bottom, as it is now: what was taken away is gone, and with a pin
 * everything that was said to it. A pure function of the page, the same in whatever order its layers were read.
 */
export function pinsOn(page: Page): Pinned[] {
  const pins: { item: Pin; author: string }[] = []
  const answers: { item: PinAnswer; author: string }[] = []
  const agreed = new Map<string, Map<string, PinAgreed>>()
  const done = new Map<string, PinDone[]>()
  for (const { item, author, layer, taken } of page.placed.values()) {
    if (taken || layer !== 'pins') continue
    if (item.kind === 'pin') pins.push({ item, author })
    else if (item.kind === 'pinAnswer') answers.push({ item, author })
    else if (item.kind === 'pinDone') done.set(item.to, [...(done.get(item.to) ?? []), item])
    else if (item.kind === 'pinAgreed') {
      const by = agreed.get(item.to) ?? new Map<string, PinAgreed>()
      if (!by.has(author)) by.set(author, item)
      agreed.set(item.to, by)
    }
  }
  const heard = <Item extends { id: string }>({ item, author }: { item: Item; author: string }) => {
    const by = agreed.get(item.id) ?? new Map<string, PinAgreed>()
    return { item, author, agreed: [...by.values()], agreedBy: [...by.keys()] }
  }
  return pins
    .map((one) => ({
      ...heard(one),
      answers: answers.filter(({ item }) => item.to === one.item.id).map(heard),
      done: done.get(one.item.id) ?? [],
    }))
    .sort((a, b) => a.item.y - b.item.y || a.item.x - b.item.x)
}

/** Whoever said something: put it down, or answered. */
export function saidBy(pins: readonly Pinned[]): Set<string> {
  return new Set(pins.flatMap(({ author, answers }) => [author, ...answers.map((answer) => answer.author)]))
}

/** The ids of all that is spoken, in the order in which it is heard: a pin, its answers, the next pin. */
export function voicesOf(pins: readonly Pinned[]): string[] {
  return pins.flatMap(({ item, answers }) =>
    [item, ...answers.map((answer) => answer.item)].flatMap(({ id, voice }) => (voice ? [id] : [])),
  )
}
