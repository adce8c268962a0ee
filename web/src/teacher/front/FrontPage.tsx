import { type Box, NOBODYS, type Placed, type WorksheetPage } from '@hand-back/core'
import { useMemo } from 'react'
import { useDrawnToRead } from '../../page/answers/useDrawn.ts'
import { usePhotos } from '../../page/copy/usePhotos.ts'
import { LaidFilms } from '../../page/film/LaidFilms.tsx'
import { PageSurface } from '../../page/surface/PageSurface.tsx'
import { useSeen } from '../../page/work/useWriting.ts'
import type { RoomCopy } from '../room/roomCopies.ts'

interface FrontPageProps {
  page: WorksheetPage
  part: Box
  scale: number
  label: string
}

const NOTHING: readonly [] = []
const noBytes = () => undefined
/** The class sees work and help, not what is written for later. */
const isShown = ({ layer }: Placed) => layer === 'work' || layer === 'help'

/** A page at the front as it was handed out. */
export function EmptyPage({ page, part, scale, label }: FrontPageProps) {
  const drawn = useDrawnToRead({ id: NOBODYS }, page, NOTHING)
  const lens = useLens(part, scale)
  return (
    <PageSurface {...{ page, drawn, lens, label }} strokes={NOTHING} writing={undefined} name="front-page" />
  )
}

/** A page of a copy at the front, with ink appearing as it is written. */
export function CopyPage({ copy, page, part, scale, label }: FrontPageProps & { copy: RoomCopy }) {
  const { whole, store } = copy
  const { items, strokes } = useSeen(store, page.id, isShown)
  const drawn = useDrawnToRead(whole, page, items)
  const photoUrl = usePhotos(whole.id, noBytes)
  const lens = useLens(part, scale)
  return (
    <PageSurface {...{ page, drawn, strokes, photoUrl, lens, label }} writing={undefined} name="front-page">
      {(view) => <LaidFilms items={items} view={view} urlOf={photoUrl} />}
    </PageSurface>
  )
}

const useLens = ({ x, y }: Box, scale: number) =>
  useMemo(() => ({ scale, x: -x * scale, y: -y * scale }), [x, y, scale])
