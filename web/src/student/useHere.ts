import { useEffect, useRef } from 'react'
import { useStore } from 'zustand'
import { live } from '../api/live.ts'
import type { CopyStore } from '../page/copy/copyStore.ts'
import { onSeenPlace, seenPlace } from './seenPlace.ts'

/** It is told again at least so often, in milliseconds: whoever begins to walk round late sees it soon. */
const AGAIN = 15_000
const LONGEST = 86_400_000

/** Tells the teacher on which page of a copy one is, whether one looks at something else, and when one last did something. */
export function useHere(copy: string, handout: string, page: string, store: CopyStore): void {
  const done = useRef(performance.now())
  const history = useStore(store.view, (view) => view.history)
  // biome-ignore lint/correctness/useExhaustiveDependencies: whatever was done was done now
  useEffect(() => {
    done.current = performance.now()
  }, [history])
  useEffect(() => {
    const socket = live()
    const tell = () => {
      const idle = Math.min(LONGEST, Math.max(0, performance.now() - done.current))
      if (socket.connected)
        socket.emit('here', { copy, page, away: document.hidden, idle, ...seenPlace(page) })
    }
    const asked = (of: string) => of === handout && tell()
    const timer = setInterval(tell, AGAIN)
    tell()
    document.addEventListener('visibilitychange', tell)
    socket.on('whereAreYou', asked)
    const still = onSeenPlace(tell)
    // Once it is followed again after a gap.
    const stop = store.view.subscribe(({ ready }, before) => ready && !before.ready && tell())
    return () => {
      clearInterval(timer)
      document.removeEventListener('visibilitychange', tell)
      socket.off('whereAreYou', asked)
      still()
      stop()
    }
  }, [copy, handout, page, store])
}
