import { useCallback, useRef, useState } from 'react'

/** Above what stands in it, in CSS pixels. */
const ABOVE = 40

/** How much room an element has for what stands in it, and the ref that measures it. */
export function useWindow(): [(element: HTMLElement | null) => void, { width: number; height: number }] {
  const [room, setRoom] = useState({ width: 900, height: 640 })
  const watch = useRef<ResizeObserver>(undefined)
  const measure = useCallback((element: HTMLElement | null) => {
    watch.current?.disconnect()
    if (!element) return
    watch.current = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect
      setRoom({ width: Math.max(200, width), height: Math.max(200, height - ABOVE) })
    })
    watch.current.observe(element)
  }, [])
  return [measure, room]
}
