import type { Box, WorksheetPage } from '@hand-back/core'
import { useMemo, useState } from 'react'
import { windowAt } from './closeUp.ts'

/** How high the window is at first, in points: about two lines of a page. */
const USUAL_HEIGHT = 44

/** Where large writing lands, and what moves it. */
export interface CloseUpWindow {
  readonly window: Box
  move(at: { x: number; y: number }): void
  set(window: Box): void
  /** Larger panel or other letters: the same corner, another size. */
  shape(height: number, shape: number): void
}

/** The window of large writing on a page, beginning near what one looks at. */
export function useCloseUp(page: WorksheetPage, begin: () => { x: number; y: number }): CloseUpWindow {
  const [made, setMade] = useState<{ page: string; window: Box; shape: number }>(() => ({
    page: page.id,
    window: windowAt(begin(), USUAL_HEIGHT, 5, page),
    shape: 5,
  }))
  // On another page it begins at the top left of what is seen there.
  const now =
    made.page === page.id
      ? made
      : { ...made, page: page.id, window: windowAt(begin(), made.window.height, made.shape, page) }
  if (now !== made) setMade(now)
  return useMemo(
    () => ({
      window: now.window,
      // Several may come before it is seen anew: each goes on from the one before.
      move: (at) => setMade((was) => ({ ...was, window: windowAt(at, was.window.height, was.shape, page) })),
      set: (window) => setMade((was) => ({ ...was, window })),
      shape: (height, shape) =>
        setMade((was) => ({ ...was, shape, window: windowAt(was.window, height, shape, page) })),
    }),
    [now, page],
  )
}
