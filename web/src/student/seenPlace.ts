import type { Point } from '@hand-back/core'

/** A view that moves is told of once it has been still for so long, in milliseconds, … */
const STILL = 700
/** … and has moved by so many points at least. */
const FAR = 30

let place: { page: string; at: Point } | undefined
let told: Point | undefined
let timer: ReturnType<typeof setTimeout> | undefined
const listeners = new Set<() => void>()

/** The place of a page that one has in the middle of the window, as far as it is known. */
export const seenPlace = (page: string): { at?: Point } => (place?.page === page ? { at: place.at } : {})

/** One looks at this place of a page now. */
export function lookingAt(page: string, at: Point): void {
  place = { page, at: { x: Math.round(at.x), y: Math.round(at.y) } }
  clearTimeout(timer)
  timer = setTimeout(() => {
    if (!place || (told && Math.hypot(place.at.x - told.x, place.at.y - told.y) < FAR)) return
    told = place.at
    for (const listener of listeners) listener()
  }, STILL)
}

/** Calls `listener` when one looks at another place. Returns how to stop. */
export function onSeenPlace(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}
