import type { CopyWhole, Placed, WorksheetPage } from '@hand-back/core'
import { useDrawnToRead } from '../../page/answers/useDrawn.ts'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import { StillPage } from '../../page/surface/StillPage.tsx'
import { useSeen } from '../../page/work/useWriting.ts'

interface StillOfCopyProps {
  copy: CopyWhole
  store: CopyStore
  page: WorksheetPage
  wanted: (placed: Placed) => boolean
  photoUrl: (name: string) => string
  scale: number
}

/** A page of a copy as it looks now, only to be seen. */
export function StillOfCopy({ copy, store, page, wanted, photoUrl, scale }: StillOfCopyProps) {
  const { items, strokes } = useSeen(store, page.id, wanted)
  const drawn = useDrawnToRead(copy, page, items)
  return <StillPage page={page} drawn={drawn} strokes={strokes} photoUrl={photoUrl} scale={scale} />
}
