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
import { saySentence } from '../../ui/notices.ts'
import type { CopyStore } from '../copy/copyStore.ts'
import type { Bitmaps } from '../draw/paint.ts'
import { regionUnder } from './regionUnder.ts'

/** Where something is filled, and with what. */
export interface FillOn {
  readonly copy: CopyWhole
  readonly store: CopyStore
  readonly page: WorksheetPage
  /** What lies on the page now. */
  readonly placed: () => readonly Placed[]
  readonly mine: ((placed: Placed) => boolean) | undefined
  readonly bitmaps: Bitmaps
  readonly colour: string
}

/** Fills what lies around a place of the page; one's own filling there gets the new colour instead. Rejects while the paper is out of reach. */
export async function fillPlace(on: FillOn, tap: Point): Promise<void> {
  const { copy, store, page, placed, mine, bitmaps, colour } = on
  const items = placed().map(({ item }) => item)
  const rings = await regionUnder({ page, items, copy: copy.id, bitmaps }, tap)
  if (!rings || rings.length === 0) {
    saySentence('There is no closed line around this place.')
    return
  }
  // It took a moment, in which it may have been filled by a tap before this one.
  const filled = placed().findLast(
    (each) =>
      each.item.kind === 'shape' && each.item.form === 'area' && mine?.(each) && isAt(each.item, tap, 0),
  )
  const area = areaOf(rings)
  const blank = blankItem('shape', area, () => crypto.randomUUID())
  const thing = { ...blank, ...area, form: 'area', turn: 0, line: 0, colour, fill: colour } as Thing
  store.act(page.id, { act: 'swap', take: filled ? [filled.item.id] : [], bring: [], items: [thing] })
}
