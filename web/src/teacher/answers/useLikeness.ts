import { useEffect, useRef, useState } from 'react'
import type { LikenessFound, LikenessTask } from './likenessTask.ts'
import LikenessWorker from './likenessWorker.ts?worker'
import type { Strip } from './strips.ts'

/** Answers are compared this long after the last of them came, in milliseconds. */
const AFTER = 250

/**
 * Which handwritten answers look alike: the number of its heap by copy, reckoned beside the screen. Nothing until it is
 * there; what is written meanwhile does not move strips about under a hand: it is looked at again when `turn` is another.
 */
export function useLikeness(
  strips: readonly Strip[],
  ready: boolean,
  turn: number,
): ReadonlyMap<string, number> | undefined {
  const [found, setFound] = useState<ReadonlyMap<string, number>>()
  const latest = useRef(strips)
  latest.current = strips
  // biome-ignore lint/correctness/useExhaustiveDependencies: looked at again when that is wished
  useEffect(() => {
    if (!ready) return
    const worker = new LikenessWorker()
    worker.onmessage = ({ data }: MessageEvent<LikenessFound>) => {
      setFound(new Map(data.heaps.flatMap((heap, number) => heap.map((copy) => [copy, number] as const))))
      worker.terminate()
    }
    // Out of memory, or not to be fetched: strips stand by themselves.
    worker.onerror = () => setFound(new Map())
    const wait = setTimeout(() => {
      const answers = latest.current.flatMap(({ row, ink }) => (ink ? [{ copy: row.id, ink }] : []))
      worker.postMessage({ answers } satisfies LikenessTask)
    }, AFTER)
    return () => {
      clearTimeout(wait)
      worker.terminate()
    }
  }, [ready, turn])
  return found
}
