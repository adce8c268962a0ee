import type { Box, Item } from '@hand-back/core'
import type { CopyStore } from '../copy/copyStore.ts'
import type { Made } from './speaking.ts'

/** How wide a new film lies on a page, in points, and how high at most. */
const WIDTH = 150
const MOST_HEIGHT = 150
/** What of a camera is seen where a device cannot tell. */
const USUAL = { width: 4, height: 3 }

/** How large a film lies on a page, in points. */
export function filmSize({
  width,
  height,
}: {
  width: number
  height: number
} = USUAL): Pick<Box, 'width' | 'height'> {
  const factor = Math.min(WIDTH / width, MOST_HEIGHT / height)
  return { width: width * factor, height: height * factor }
}

/** Lays a film on a page, with a picture of it. */
export function layFilm(store: CopyStore, page: string, made: Made): void {
  const { id: file, bytes, look, x, y, seconds, words: alt } = made
  const box = { x, y, ...filmSize(look) }
  const still = look && { name: crypto.randomUUID(), bytes: look.still }
  const film = {
    id: crypto.randomUUID(),
    kind: 'film',
    ...box,
    turn: 0,
    file,
    seconds,
    alt,
    ...(still ? { still: still.name } : {}),
  } as const satisfies Item
  store.add(page, [film], { name: file, bytes }, ...(still ? [still] : []))
}
