import { useEffect, useRef } from 'react'

/** The browser's key for printing opens what prints whole pages, instead of the part of one that is seen. */
export function usePrintKey(print: (() => void) | undefined): void {
  const latest = useRef(print)
  latest.current = print
  useEffect(() => {
    const key = (event: KeyboardEvent) => {
      const isPrint = (event.ctrlKey || event.metaKey) && !event.altKey && event.key.toLowerCase() === 'p'
      if (!isPrint || !latest.current) return
      event.preventDefault()
      latest.current()
    }
    addEventListener('keydown', key)
    return () => removeEventListener('keydown', key)
  }, [])
}
