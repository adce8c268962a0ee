const halfDone = new Map<string, Set<() => Promise<void>>>()

/** `finish` ends what is half done on an open copy, before it goes out of hand. Returns how to take that back. */
export function finishesBy(copy: string, finish: () => Promise<void>): () => void {
  const all = halfDone.get(copy) ?? new Set()
  halfDone.set(copy, all.add(finish))
  return () => {
    all.delete(finish)
    if (all.size === 0) halfDone.delete(copy)
  }
}

/** Ends what is half done on an open copy: a recording that lies on no page yet. */
export async function finishAll(copy: string): Promise<void> {
  await Promise.all([...(halfDone.get(copy) ?? [])].map((finish) => finish()))
}
