import type { Point } from '@hand-back/core'
import { useCallback, useMemo } from 'react'
import { importAgain } from '../../ui/importAgain.ts'
import { saySentence } from '../../ui/notices.ts'
import { usePhotos } from '../copy/usePhotos.ts'
import { bitmapsFor } from '../draw/bitmaps.ts'
import type { FillOn } from './fillPlace.ts'

interface Filling extends Omit<FillOn, 'bitmaps'> {
  readonly bytesOf: (name: string) => Blob | undefined
}

/** Fills what lies around a place of the page with the colour in hand. */
export function useFill({ copy, store, page, placed, mine, bytesOf, colour }: Filling) {
  const photoUrl = usePhotos(copy.id, bytesOf)
  const bitmaps = useMemo(() => bitmapsFor(photoUrl), [photoUrl])
  return useCallback(
    async (tap: Point) => {
      if (!store.mayBegin(page.id, tap)) return
      try {
        const { fillPlace } = await importAgain(() => import('./fillPlace.ts'))
        await fillPlace({ copy, store, page, placed, mine, bitmaps, colour }, tap)
      } catch {
        saySentence('This cannot be filled just now: the page is not all here.')
      }
    },
    [copy, store, page, placed, mine, bitmaps, colour],
  )
}
