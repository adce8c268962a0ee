import { boundsOfItem } from '../holding/pick.ts'
import type { Item } from '../kinds/items.ts'
import { questionOf } from '../marks/belongsTo.ts'
import type { Question } from '../worksheet/sheet.ts'

/** Something that was said in feedback, in words, and where. */
export interface SaidRemark {
  /** The page that it stands on, from 1. */
  readonly page: number
  /** The label of the question that it belongs to. */
  readonly question: string | undefined
  readonly words: string
}

/**
 * What of feedback is in words, page by page and down each page: texts, and what was spoken as far as its words are
 * written beside it. Ink stays where it is: nobody reads it but people.
 */
export function remarksOn(
  pages: readonly { readonly id: string; readonly feedback: readonly Item[] }[],
  questions: readonly Question[],
): SaidRemark[] {
  return pages.flatMap(({ id, feedback }, index) =>
    feedback
      .map((item) => ({ item, words: wordsOf(item), y: boundsOfItem(item).y0 }))
      .filter(({ words }) => words !== '')
      .sort((a, b) => a.y - b.y)
      .map(({ item, words }) => ({
        page: index + 1,
        question: questionOf(questions, id, boundsOfItem(item))?.label,
        words,
      })),
  )
}

function wordsOf(item: Item): string {
  if (item.kind === 'overall' || item.kind === 'mark') return ''
  if ('text' in item) return item.text.trim()
  return item.kind === 'voice' ? (item.words ?? '').trim() : ''
}
