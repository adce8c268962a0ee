import type { Habits, WorksheetPage } from '@hand-back/core'
import type { View } from '../view/view.ts'

interface TintedPaperProps {
  page: WorksheetPage
  view: View
  tint: NonNullable<Habits['tint']>
}

/** A colour over the paper, for one pair of eyes: no part of the work. */
export function TintedPaper({ page, view, tint }: TintedPaperProps) {
  return (
    <div
      data-testid="tint"
      className="pointer-events-none absolute mix-blend-multiply"
      style={{
        left: view.x,
        top: view.y,
        width: page.width * view.scale,
        height: page.height * view.scale,
        background: tint.colour,
        opacity: tint.strength,
      }}
    />
  )
}
