import type { WorksheetPage } from '@hand-back/core'
import type { ReactNode } from 'react'
import { type View, viewBeside } from '../view/view.ts'
import type { PagesBeside } from './Surface.ts'

/** All pages one under another: those beside the page that is shown, and how each of them looks. */
export interface Running extends PagesBeside {
  /** Turns to the next page (1) or the one before (-1). */
  readonly onRunOn: (by: -1 | 1) => void
  /** A page as it looks now, drawn whole; `scale` is CSS pixels a point. */
  readonly still: (page: WorksheetPage, scale: number) => ReactNode
}

interface PageRunProps {
  page: WorksheetPage
  view: View
  running: Running
}

/** The pages of a run around the one that is shown, which is there too: it is seen when it is turned from. */
export function PageRun({ page, view, running }: PageRunProps) {
  const { before, after, still } = running
  const lying = [
    ...(before ? [{ of: before, at: viewBeside(view, page, before, -1) }] : []),
    { of: page, at: view },
    ...(after ? [{ of: after, at: viewBeside(view, page, after, 1) }] : []),
  ]
  return lying.map(({ of, at }) => (
    <div
      key={of.id}
      aria-hidden="true"
      data-testid={of === page ? undefined : 'page beside'}
      className="pointer-events-none absolute bg-sheet shadow-[0_2px_14px_rgb(30_43_58/0.16)]"
      style={{ left: at.x, top: at.y, width: of.width * at.scale, height: of.height * at.scale }}
    >
      {still(of, at.scale)}
    </div>
  ))
}
