import type { Placed, Point } from '@hand-back/core'
import { useCallback, useMemo, useRef } from 'react'
import { importAgain } from '../../ui/importAgain.ts'
import { saySentence } from '../../ui/notices.ts'
import { usePhotos } from '../copy/usePhotos.ts'
import { bitmapsFor } from '../draw/bitmaps.ts'
import type { FillOn } from './fillPlace.ts'

interface Filling extends Omit<FillOn, 'bitmaps' | 'placed'> {
  readonly placed: readonly Placed[]
  readonly bytesOf: (name: string) => Blob | undefined
}

/** Fills what lies around a place of the page with the colour in hand. */
export function useFill({ copy, store, page, placed, mine, bytesOf, colour }: Filling) {
  const photoUrl = usePhotos(copy.id, bytesOf)
  const bitmaps = useMemo(() => bitmapsFor(photoUrl), [photoUrl])
  const now = useRef({ page, placed })
  now.current = { page, placed }
  const last = useRef(Promise.resolve())
  return useCallback(
    (tap: Point) => {
      if (!store.mayBegin(page.id, tap)) return Promise.resolve()
      const there = () => (now.current.page === page ? now.current.placed : placed)
      const fill = async () => {
        const { fillPlace } = await importAgain(() => import('./fillPlace.ts'))
        await fillPlace({ copy, store, page, placed: there, mine, bitmaps, colour }, tap)
      }
      // One tap after another: the second finds what the first filled.
      last.current = last.current
        .then(fill)
        .catch(() => saySentence('This cannot be filled just now: the page is not all here.'))
      return last.current
    },
    [copy, store, page, placed, mine, bitmaps, colour],
  )
}
