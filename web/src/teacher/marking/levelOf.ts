import type { WorksheetPage } from '@hand-back/core'
import { type View, viewBeside } from '../../page/view/view.ts'
import type { MarkedQuestion } from './useMarks.ts'

/**
 * How far down the window a question begins, in CSS pixels: on the page that is shown, and where pages run, on those
 * beside it; nothing: it is on another page.
 */
export function levelOf(
  { page, y }: Pick<MarkedQuestion, 'page' | 'y'>,
  pages: readonly Pick<WorksheetPage, 'width' | 'height'>[],
  shown: number,
  view: View,
  runs: boolean,
): number | undefined {
  if (page === shown) return view.y + y * view.scale
  const by = page - shown
  if (!runs || (by !== 1 && by !== -1)) return undefined
  return viewBeside(view, pages[shown]!, pages[page]!, by).y + y * view.scale
}
