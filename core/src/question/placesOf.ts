import type { PrintedItem } from '../kinds/printed.ts'
import { type Box, holds, middle } from '../worksheet/box.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import type { Question } from '../worksheet/sheet.ts'

/** Where a question stands on the pages of a copy, in their order: its areas there. */
export function areasOn(
  { areas }: Pick<Question, 'areas'>,
  pages: readonly WorksheetPage[],
): { page: WorksheetPage; area: Box }[] {
  return pages.flatMap((page) =>
    areas.flatMap(({ page: on, ...area }) => (on === page.id ? [{ page, area }] : [])),
  )
}

/** What is printed in the areas of a question, on the pages that a copy has: what lies there with its middle. */
export function placesOf(
  question: Pick<Question, 'areas'>,
  pages: readonly WorksheetPage[],
): { page: WorksheetPage; place: PrintedItem }[] {
  return pages.flatMap((page) => {
    const areas = question.areas.filter((area) => area.page === page.id)
    return page.printed.flatMap((place) =>
      areas.some((area) => holds(area, middle(place as Box))) ? [{ page, place }] : [],
    )
  })
}
