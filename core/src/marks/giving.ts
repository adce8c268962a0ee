import type { Item } from '../kinds/items.ts'
import type { PageAct } from '../log/events.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import type { Question } from '../worksheet/sheet.ts'
import { markFor } from './marks.ts'

/** Something to do on a page of a copy. */
export interface OnPage {
  readonly page: string
  readonly act: PageAct
}

/**
 * What gives a question of a copy its marks in a round (hundredths), gives others, or takes them away (null); nothing
 * where they are those already, or where the copy has none of the question's pages. `itemOn`: what lies on a page of
 * the feedback now, by its id.
 */
export function giving(
  copy: string,
  round: number,
  question: Question,
  pages: readonly Pick<WorksheetPage, 'id' | 'width'>[],
  given: number | null,
  others: readonly Pick<Question, 'id' | 'areas'>[],
  itemOn: (page: string, id: string) => Item | undefined,
): OnPage | undefined {
  const made = markFor(copy, round, question, pages, given ?? 0, others)
  if (!made) return undefined
  const { page, mark } = made
  const there = itemOn(page, mark.id)
  if (there?.kind !== 'mark') return given === null ? undefined : { page, act: { act: 'add', items: [mark] } }
  if (given === null) return { page, act: { act: 'take', items: [mark.id] } }
  if (there.given === mark.given) return undefined
  const [set, was] = [{ given: mark.given }, { given: there.given }]
  return { page, act: { act: 'change', item: mark.id, set, was } }
}
