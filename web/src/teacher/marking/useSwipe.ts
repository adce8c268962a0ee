import { type PointerEvent, useRef } from 'react'

/** A finger that goes so far across, in CSS pixels, and at least twice as far as up or down, has swiped. */
const FAR = 60

/** What makes an element be swiped by a finger: to the left for what comes next, to the right for what was before. */
export function useSwipe(onBefore: (() => void) | undefined, onNext: (() => void) | undefined) {
  const from = useRef<{ readonly pointer: number; readonly x: number; readonly y: number }>(undefined)
  return {
    onPointerDown({ pointerType, pointerId, clientX, clientY, isPrimary }: PointerEvent) {
      from.current =
        pointerType === 'touch' && isPrimary ? { pointer: pointerId, x: clientX, y: clientY } : undefined
    },
    onPointerUp({ pointerId, clientX, clientY }: PointerEvent) {
      const began = from.current
      from.current = undefined
      if (began?.pointer !== pointerId) return
      const [across, down] = [clientX - began.x, clientY - began.y]
      if (Math.abs(across) < FAR || Math.abs(across) < 2 * Math.abs(down)) return
      if (across < 0) onNext?.()
      else onBefore?.()
    },
    onPointerCancel() {
      from.current = undefined
    },
  }
}
