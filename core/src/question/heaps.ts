import { z } from 'zod'
import { madeId } from '../ink/stroke.ts'
import { item } from '../kinds/items.ts'
import { hundredths } from '../kinds/mark.ts'
import { plainText } from '../words/plainText.ts'

/** The most heaps of one question: more than that nobody keeps apart. */
export const MOST_HEAPS = 30

/** A remark as it is given to all of a heap. */
export const heapRemark = z.strictObject({
  id: madeId,
  name: plainText().max(60),
  items: z.array(item).min(1).max(200),
})
export type HeapRemark = z.infer<typeof heapRemark>

/** Answers to a question that a teacher takes for alike: what they are called, and what they are given. */
export const heap = z.strictObject({
  id: madeId,
  name: plainText().max(80),
  /** In hundredths of a mark; null: nothing yet. */
  given: hundredths.nullable(),
  remark: heapRemark.nullable(),
})
export type Heap = z.infer<typeof heap>

/** The heaps of a question, in their order, and which copy lies in which. */
export const heaps = z.strictObject({
  heaps: z.array(heap).max(MOST_HEAPS),
  lies: z.record(z.uuid(), madeId),
})
export type Heaps = z.infer<typeof heaps>

export const noHeaps: Heaps = { heaps: [], lies: {} }

const some = z.array(z.uuid()).max(2000)
/** What can be done to the heaps of a question. */
export const heapAct = z.discriminatedUnion('act', [
  z.strictObject({ act: z.literal('make'), heap: madeId, name: plainText().max(80), copies: some }),
  /** null: out of the heap that they lie in. */
  z.strictObject({ act: z.literal('put'), copies: some, heap: madeId.nullable() }),
  z.strictObject({ act: z.literal('name'), heap: madeId, name: plainText().max(80) }),
  z.strictObject({ act: z.literal('give'), heap: madeId, given: hundredths.nullable() }),
  z.strictObject({ act: z.literal('remark'), heap: madeId, remark: heapRemark.nullable() }),
  z.strictObject({ act: z.literal('drop'), heap: madeId }),
])
export type HeapAct = z.infer<typeof heapAct>

/**
 * The heaps after something was done to them.
 *
 * Pure and total: what names a heap that is not there changes nothing, and neither does the same act a second time.
 * Laws: a copy lies in one heap at most, and only in one that is there; no heap more than `MOST_HEAPS`.
 */
export function heapsAfter(before: Heaps, act: HeapAct): Heaps {
  switch (act.act) {
    case 'make': {
      if (before.heaps.some(({ id }) => id === act.heap)) return before
      if (before.heaps.length >= MOST_HEAPS) return before
      const made: Heap = { id: act.heap, name: act.name, given: null, remark: null }
      return putIn({ ...before, heaps: [...before.heaps, made] }, act.copies, act.heap)
    }
    case 'put':
      return putIn(before, act.copies, act.heap)
    case 'name':
      return changed(before, act.heap, { name: act.name })
    case 'give':
      return changed(before, act.heap, { given: act.given })
    case 'remark':
      return changed(before, act.heap, { remark: act.remark })
    case 'drop': {
      const lies = Object.entries(before.lies).filter(([, heap]) => heap !== act.heap)
      return { heaps: before.heaps.filter(({ id }) => id !== act.heap), lies: Object.fromEntries(lies) }
    }
  }
}

/** The copies that lie in a heap, of those that there are, in their order. */
export const inHeap = <C extends { readonly id: string }>(
  { lies }: Heaps,
  heap: string | undefined,
  copies: readonly C[],
): C[] => copies.filter(({ id }) => lies[id] === heap)

function putIn(before: Heaps, copies: readonly string[], heap: string | null): Heaps {
  if (heap !== null && !before.heaps.some(({ id }) => id === heap)) return before
  const lies = { ...before.lies }
  for (const copy of copies) {
    if (heap === null) delete lies[copy]
    else lies[copy] = heap
  }
  return { ...before, lies }
}

const changed = (before: Heaps, heap: string, to: Partial<Heap>): Heaps => ({
  ...before,
  heaps: before.heaps.map((each) => (each.id === heap ? { ...each, ...to } : each)),
})
