import { useCallback, useState } from 'react'

/** The page of a copy one is on, remembered on this device. Returns the index, how to turn to one, and by how many. */
export function usePlace(copy: string, pageCount: number) {
  const key = `place ${copy}`
  const [index, setIndex] = useState(() => within(Number(localStorage.getItem(key) ?? 0), pageCount))
  const turnTo = useCallback(
    (to: number) => {
      const at = within(to, pageCount)
      localStorage.setItem(key, String(at))
      setIndex(at)
    },
    [key, pageCount],
  )
  return { index, turnTo }
}

function within(index: number, count: number): number {
  return Number.isInteger(index) ? Math.min(count - 1, Math.max(0, index)) : 0
}
