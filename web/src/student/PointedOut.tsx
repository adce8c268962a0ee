import type { CopyWhole, WorksheetPage } from '@hand-back/core'
import { PointedAt, usePointedAt } from '../lesson/PointedAt.tsx'
import type { View } from '../page/view/view.ts'
import { Button } from '../ui/Button.tsx'

interface PointedOutProps {
  copy: CopyWhole
  pages: readonly WorksheetPage[]
  page: string
  view: View
  onTurn: (page: string) => void
}

/** Where the teacher points; on another page: the way there. */
export function PointedOut({ copy, pages, page, view, onTurn }: PointedOutProps) {
  const spots = usePointedAt(copy.handout, copy.id)
  const elsewhere = spots.at(-1)?.page
  const number = pages.findIndex(({ id }) => id === elsewhere) + 1
  return (
    <>
      <PointedAt spots={spots} page={page} view={view} />
      {elsewhere !== undefined && elsewhere !== page && number > 0 && (
        <span className="pointer-events-auto absolute top-3 left-3">
          <Button large onClick={() => onTurn(elsewhere)}>
            Look: page {number}
          </Button>
        </span>
      )}
    </>
  )
}
