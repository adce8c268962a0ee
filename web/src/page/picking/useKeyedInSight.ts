import { type Box, meet } from '@hand-back/core'
import { useEffect, useRef } from 'react'
import type { Surface } from '../surface/Surface.ts'

/**
 * What keys pick or move comes into sight: the page moves to it, as it does to what has the focus. Under a pointer
 * it stays, because the hand is where it looks.
 */
export function useKeyedInSight(surface: Surface | undefined, picked: Box | undefined): void {
  const byKey = useRef(false)
  useEffect(() => {
    const keyed = () => {
      byKey.current = true
    }
    const pointed = () => {
      byKey.current = false
    }
    addEventListener('keydown', keyed, true)
    addEventListener('pointerdown', pointed, true)
    return () => {
      removeEventListener('keydown', keyed, true)
      removeEventListener('pointerdown', pointed, true)
    }
  }, [])
  const { x, y, width, height } = picked ?? NOWHERE
  useEffect(() => {
    if (!surface || !byKey.current || x === undefined) return
    const box = { x, y, width, height }
    const seen = surface.seenPart()
    const tooLarge = width > seen.width || height > seen.height
    if (!tooLarge || !meet(box, seen)) surface.bring(box)
  }, [surface, x, y, width, height])
}

const NOWHERE = { x: undefined, y: 0, width: 0, height: 0 } as const
