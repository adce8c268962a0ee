const LOCK = 'hand-back recording '

/** Says to other tabs of this browser that a recording is in use here, until it is let go or this tab ends (Web Locks). */
export function holdRecording(id: string): () => void {
  let release = () => {}
  const held = new Promise<void>((done) => {
    release = done
  })
  void navigator.locks?.request(LOCK + id, () => held)
  return release
}

/** The recordings that are in use in some tab of this browser. */
export async function heldRecordings(): Promise<ReadonlySet<string>> {
  const { held = [] } = (await navigator.locks?.query()) ?? {}
  return new Set(held.flatMap(({ name }) => (name?.startsWith(LOCK) ? [name.slice(LOCK.length)] : [])))
}
