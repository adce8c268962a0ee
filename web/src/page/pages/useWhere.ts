import type { Point, WorksheetPage } from '@hand-back/core'
import { useCallback, useEffect, useRef, useState } from 'react'
import { z } from 'zod'
import { readNote, writeNote } from '../../deviceNotes.ts'
import type { Surface } from '../surface/Surface.ts'
import { toPage, type View } from '../view/view.ts'

/** Where one was in a copy: the page, what of it was in the middle of the window, and how large. */
const whereIn = z.object({
  page: z.string(),
  look: z.object({ x: z.number(), y: z.number(), scale: z.number().positive() }).optional(),
})
type Where = z.infer<typeof whereIn>

/** The page of a copy one is on and what one sees of it, remembered on this device. `begin`: where one begins. */
export function useWhere(copy: string, pages: readonly WorksheetPage[], begin?: string) {
  const key = `place ${copy}`
  const [where, setWhere] = useState<Where | undefined>(
    () => remembered(key) ?? (begin === undefined ? undefined : { page: begin }),
  )
  const found = pages.findIndex(({ id }) => id === where?.page)
  const index = Math.max(0, found)
  // What page one is on outlives its being taken out: one stays near.
  const last = useRef(0)
  const at = found >= 0 || pages.length === 0 ? index : Math.min(last.current, pages.length - 1)
  useEffect(() => {
    last.current = at
  })
  const keep = useCallback(
    (next: Where) => {
      writeNote(key, JSON.stringify(next))
      setWhere(next)
    },
    [key],
  )
  const turnToPage = useCallback((page: string) => keep({ page }), [keep])
  const turnTo = useCallback(
    (to: number) => {
      const page = pages[Math.min(pages.length - 1, Math.max(0, to))]
      if (page) keep({ page: page.id })
    },
    [pages, keep],
  )
  return { index: at, turnTo, turnToPage, look: where?.look, key }
}

function remembered(key: string): Where | undefined {
  try {
    return whereIn.parse(JSON.parse(readNote(key) ?? ''))
  } catch {
    return undefined
  }
}

/** Views that follow each other within this many milliseconds are remembered once. */
const REST = 400

/** Brings back what one saw of a page when the copy is opened again, and remembers what one sees. */
export function useSameLook(
  where: ReturnType<typeof useWhere>,
  surface: Surface | undefined,
  page: string,
): (view: View, window: { width: number; height: number }) => void {
  const first = useRef(where.look)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  useEffect(() => {
    if (!surface) return
    const look = first.current
    first.current = undefined
    if (look) surface.look(look, look.scale)
  }, [surface])
  const { key } = where
  const waiting = useRef<() => void>(undefined)
  const keep = useCallback(() => {
    clearTimeout(timer.current)
    waiting.current?.()
    waiting.current = undefined
  }, [])
  // A tab that is closed or left remembers what was seen last.
  useEffect(() => {
    addEventListener('pagehide', keep)
    return () => {
      removeEventListener('pagehide', keep)
      keep()
    }
  }, [keep])
  return useCallback(
    (view, window) => {
      clearTimeout(timer.current)
      waiting.current = () => {
        const middle: Point = toPage(view, { x: window.width / 2, y: window.height / 2 })
        writeNote(key, JSON.stringify({ page, look: { ...middle, scale: view.scale } }))
      }
      timer.current = setTimeout(keep, REST)
    },
    [key, page, keep],
  )
}
