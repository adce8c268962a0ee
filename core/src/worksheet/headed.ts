import type { Measure } from '../draw/drawn.ts'
import { blankItem, fitHeight, type PrintedItem } from '../kinds/printed.ts'
import type { WorksheetPage } from './page.ts'

/** From the edges of the page, and the size of the letters, in points. */
const MARGIN = 20
const LETTERS = 9

/** A page with words at its head: whose paper it is. They stand in the margin, on one line where it is wide enough. */
export function headed(page: WorksheetPage, words: string, measure: Measure): WorksheetPage {
  const width = Math.max(40, page.width - 2 * MARGIN)
  const lies = { x: (page.width - width) / 2, y: MARGIN / 2, width, height: LETTERS }
  const head = {
    ...blankItem('text', lies, () => page.id),
    text: words,
    size: LETTERS,
    align: 'right',
    bold: false,
  } as PrintedItem
  return { ...page, printed: [...page.printed, fitHeight(head, measure)] }
}
