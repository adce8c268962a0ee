/** What is known of the other tabs of this browser; replaceable in tests. */
export interface OtherTabs {
  /** This tab's own name. */
  readonly own: string
  /** The tabs that are open now; nothing where the browser does not tell. */
  open(): Promise<ReadonlySet<string> | undefined>
  /** Calls `listener` when a tab may have closed, or did something with what the device keeps. Returns how to stop. */
  onNews(listener: () => void): () => void
  /** Tells the others that something changed in what the device keeps. */
  tell(): void
}

const LOCK = 'hand-back tab '
const CHANNEL = 'hand-back outbox'
/** Where tabs cannot be watched, it is looked this often whether one left something, in milliseconds. */
const LOOKS_EVERY = 10_000

/** Every tab holds a lock of its own as long as it lives, however it ends (Web Locks). */
export function browserTabs(): OtherTabs {
  const own = crypto.randomUUID()
  const { locks } = navigator as { locks?: LockManager }
  void locks?.request(LOCK + own, () => new Promise(() => {}))
  const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(CHANNEL)
  const watched = new Set<string>([own])
  const open = async () => {
    if (!locks) return undefined
    const { held = [] } = await locks.query()
    return new Set(held.flatMap(({ name }) => (name?.startsWith(LOCK) ? [name.slice(LOCK.length)] : [])))
  }
  /** Asks for the lock of every other tab: it is had when that tab is gone. */
  const watch = async (gone: () => void) => {
    for (const tab of (await open()) ?? []) {
      if (watched.has(tab)) continue
      watched.add(tab)
      void locks?.request(LOCK + tab, async () => gone())
    }
  }
  return {
    own,
    open,
    onNews(listener) {
      const heard = () => {
        void watch(listener)
        listener()
      }
      channel?.addEventListener('message', heard)
      const timer = setInterval(heard, LOOKS_EVERY)
      void watch(listener)
      channel?.postMessage('here')
      return () => {
        channel?.removeEventListener('message', heard)
        clearInterval(timer)
      }
    },
    tell: () => channel?.postMessage('changed'),
  }
}
