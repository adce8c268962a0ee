import type { CopyStore } from './copyStore.ts'

const halfDone = new WeakMap<CopyStore, Set<() => Promise<void>>>()

/** `finish` ends what is half done on a copy before it is handed in. Returns how to take that back. */
export function finishesBy(store: CopyStore, finish: () => Promise<void>): () => void {
  const all = halfDone.get(store) ?? new Set()
  halfDone.set(store, all.add(finish))
  return () => void all.delete(finish)
}

/** Ends what is half done on a copy: a recording that lies on no page yet. */
export async function finishAll(store: CopyStore): Promise<void> {
  await Promise.all([...(halfDone.get(store) ?? [])].map((finish) => finish()))
}
