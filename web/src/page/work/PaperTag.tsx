import { type Placed, scansOn, type WorksheetPage } from '@hand-back/core'
import type { CopyStore } from '../copy/copyStore.ts'
import type { View } from '../view/view.ts'
import { OnPaper } from './parts.ts'

interface PaperTagProps {
  page: WorksheetPage
  view: View
  /** All that is seen of the page. */
  placed: readonly Placed[]
  store: CopyStore
  photoUrl: (name: string) => string
  /** Whether this person takes a sheet away that somebody laid. */
  mayTake: (author: string) => boolean
}

/** Says of a page that was done on paper that it was. */
export function PaperTag({ page, view, placed, store, photoUrl, mayTake }: PaperTagProps) {
  const laid = scansOn(placed).at(-1)
  if (!laid) return null
  return (
    <OnPaper
      {...{ laid, page, view, photoUrl }}
      onTake={mayTake(laid.author) ? () => store.takeScan(page.id, laid.scan.id) : undefined}
      onClose={nothing}
    />
  )
}

const nothing = () => {}
