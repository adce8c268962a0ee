import type { RemarkGiven } from '../contract/marksBook.ts'
import type { RemarkKept } from '../contract/remarks.ts'
import type { Item } from '../kinds/items.ts'
import { wordsOfRemark } from '../marks/remarks.ts'

/** A copy with the feedback that lies on it now. */
export interface FeedbackOn {
  readonly copy: string
  readonly items: readonly Item[]
}

const folded = (words: string) => words.trim().replace(/\s+/g, ' ').toLowerCase()

/** What is the same of an item wherever it is laid: the ink of a stroke, the words of what has some. Nothing of signs. */
function sameAnywhere(item: Item): string | undefined {
  if (item.kind === 'stroke') return `ink ${item.points}`
  const words = folded('text' in item ? item.text : item.kind === 'voice' ? (item.words ?? '') : '')
  return words === '' ? undefined : `words ${words}`
}

/**
 * What was said in the feedback of several copies, by how many copies it was said on, those said most first: remarks that
 * are kept, found again by their ink and words wherever they were laid; and words that stand on at least two copies
 * without being kept. A remark made of nothing but signs is none: signs say something else each time.
 */
export function remarksGiven(
  kept: readonly Pick<RemarkKept, 'name' | 'items'>[],
  feedback: readonly FeedbackOn[],
): RemarkGiven[] {
  const copiesWith = new Map<string, Set<string>>()
  const wordsOf = new Map<string, string>()
  for (const { copy, items } of feedback)
    for (const item of items) {
      const same = sameAnywhere(item)
      if (same === undefined) continue
      copiesWith.set(same, (copiesWith.get(same) ?? new Set()).add(copy))
      if ('text' in item && !wordsOf.has(same)) wordsOf.set(same, item.text.trim())
    }
  const known = new Set<string>()
  const byRemark = kept.flatMap((remark) => {
    const parts = remark.items.flatMap((item) => sameAnywhere(item) ?? [])
    for (const part of parts) known.add(part)
    const [first, ...others] = parts.map((part) => copiesWith.get(part) ?? new Set<string>())
    const copies = [...(first ?? [])].filter((copy) => others.every((set) => set.has(copy)))
    return copies.length > 0 ? [{ name: remark.name, words: wordsOfRemark(remark), copies }] : []
  })
  const byWords = [...wordsOf].flatMap(([same, words]) => {
    const copies = [...copiesWith.get(same)!]
    return copies.length > 1 && !known.has(same) ? [{ name: words, words, copies }] : []
  })
  return [...byRemark, ...byWords].sort(
    (a, b) => b.copies.length - a.copies.length || a.name.localeCompare(b.name),
  )
}
