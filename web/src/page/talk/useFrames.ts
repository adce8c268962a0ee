import { useEffect, useRef } from 'react'

/** Calls at every frame of the screen as long as `running`. */
export function useFrames(running: boolean, frame: () => void): void {
  const now = useRef(frame)
  now.current = frame
  useEffect(() => {
    if (!running) return
    let next = requestAnimationFrame(function again() {
      now.current()
      next = requestAnimationFrame(again)
    })
    return () => cancelAnimationFrame(next)
  }, [running])
}
