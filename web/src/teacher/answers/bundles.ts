import { FNV_BASIS, fnv1a } from '@hand-back/core'
import type { Strip } from './strips.ts'

/** In which order strips that are in no heap stand. */
export const STRIP_ORDERS = {
  alike: 'alike together',
  random: 'at random',
  name: 'by name',
} as const
export type StripOrder = keyof typeof STRIP_ORDERS

/** How large strips stand: many beside each other, or to be read from farther away. */
export const STRIP_SIZES = { small: 'as a wall', large: 'larger' } as const
export type StripSize = keyof typeof STRIP_SIZES

/**
 * Strips that stand together: equal ones, which can be marked at once; those that look alike, which a person has to look
 * at; those where nothing is written; or one by itself.
 */
export interface Bundle {
  readonly kind: 'equal' | 'alike' | 'nothing' | 'one'
  readonly strips: readonly Strip[]
  /** The answer that equal ones have, in words. */
  readonly words: string
}

/**
 * What is in no heap, in bundles: equal answers first, the most of them on top, then what looks alike, then the rest, and
 * at the end where nothing was written. `looksLike` names heaps of handwriting by copy; nothing while it is reckoned.
 */
export function bundlesOf(
  strips: readonly Strip[],
  order: StripOrder,
  seed: number,
  looksLike: ReadonlyMap<string, number> | undefined,
): Bundle[] {
  const sorted = inOrder(strips, order, seed)
  if (order !== 'alike') return sorted.map((strip) => one(strip))
  const nothing = sorted.filter(({ isEmpty }) => isEmpty)
  const equal = together(
    sorted.filter((strip) => isComparable(strip)),
    ({ answered }) => answered.same,
  ).map((some) => bundle('equal', some))
  const alike = together(
    sorted.filter((strip) => !strip.isEmpty && !isComparable(strip)),
    ({ row }) => String(looksLike?.get(row.id) ?? row.id),
  ).map((some) => bundle('alike', some))
  return [
    ...[...equal, ...alike].sort((a, b) => rank(a) - rank(b) || b.strips.length - a.strips.length),
    ...(nothing.length > 0 ? [bundle('nothing', nothing)] : []),
  ]
}

const RANK = { equal: 0, alike: 1, one: 2, nothing: 3 }
const rank = ({ kind }: Bundle): number => RANK[kind]

const one = (strip: Strip): Bundle => ({ kind: 'one', strips: [strip], words: strip.answered.words })

function bundle(kind: 'equal' | 'alike' | 'nothing', strips: readonly Strip[]): Bundle {
  if (kind !== 'nothing' && strips.length === 1) return one(strips[0]!)
  return { kind, strips, words: strips[0]!.answered.words }
}

/** Everything of the answer can be compared by a machine: nobody has to look at it twice. */
export const isComparable = ({ isEmpty, answered }: Strip): boolean =>
  !isEmpty && answered.same !== '' && answered.besides.length === 0

function together(strips: readonly Strip[], by: (strip: Strip) => string): Strip[][] {
  const groups = new Map<string, Strip[]>()
  for (const strip of strips) groups.set(by(strip), [...(groups.get(by(strip)) ?? []), strip])
  return [...groups.values()]
}

function inOrder(strips: readonly Strip[], order: StripOrder, seed: number): Strip[] {
  const mixed = ({ row }: Strip) => mixedBy(seed)(row)
  const byName = (a: Strip, b: Strip) => a.row.name.localeCompare(b.row.name, undefined, { numeric: true })
  return [...strips].sort(order === 'name' ? byName : (a, b) => mixed(a) - mixed(b) || byName(a, b))
}

/** Where a copy stands in an order at random: always the same for one seed. */
export const mixedBy =
  (seed: number) =>
  ({ id }: { readonly id: string }): number =>
    fnv1a(id, FNV_BASIS ^ seed)

/** Another order for each question, always the same for one: nobody is always last. */
export const seedOf = (question: string): number => fnv1a(question, FNV_BASIS)
