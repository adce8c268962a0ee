import {
  areaOf,
  blankItem,
  type CopyWhole,
  isAt,
  type Placed,
  type Point,
  type Thing,
  type WorksheetPage,
} from '@hand-back/core'
import { useCallback, useMemo } from 'react'
import { importAgain } from '../../ui/importAgain.ts'
import { saySentence } from '../../ui/notices.ts'
import type { CopyStore } from '../copy/copyStore.ts'
import { usePhotos } from '../copy/usePhotos.ts'
import { bitmapsFor } from '../draw/bitmaps.ts'

interface FillOn {
  readonly copy: CopyWhole
  readonly store: CopyStore
  readonly page: WorksheetPage
  readonly placed: readonly Placed[]
  readonly mine: ((placed: Placed) => boolean) | undefined
  readonly bytesOf: (name: string) => Blob | undefined
  readonly colour: string
}

/** Fills what lies around a place of the page with the colour in hand; one's own filling there takes it instead of the one that it had. */
export function useFill({ copy, store, page, placed, mine, bytesOf, colour }: FillOn) {
  const photoUrl = usePhotos(copy.id, bytesOf)
  const bitmaps = useMemo(() => bitmapsFor(photoUrl), [photoUrl])
  return useCallback(
    async (tap: Point) => {
      if (!store.mayBegin(page.id, tap)) return
      const filled = placed.findLast(
        (each) =>
          each.item.kind === 'shape' && each.item.form === 'area' && mine?.(each) && isAt(each.item, tap, 0),
      )
      try {
        const { regionUnder } = await importAgain(() => import('./regionUnder.ts'))
        const items = placed.map(({ item }) => item)
        const rings = await regionUnder({ page, items, copy: copy.id, bitmaps }, tap)
        if (!rings || rings.length === 0) {
          saySentence('There is no closed line around this place.')
          return
        }
        const area = areaOf(rings)
        const blank = blankItem('shape', area, () => crypto.randomUUID())
        const thing = { ...blank, ...area, form: 'area', turn: 0, line: 0, colour, fill: colour } as Thing
        store.act(page.id, { act: 'swap', take: filled ? [filled.item.id] : [], bring: [], items: [thing] })
      } catch {
        saySentence('This cannot be filled just now: the page is not all here.')
      }
    },
    [copy.id, store, page, placed, mine, bitmaps, colour],
  )
}
