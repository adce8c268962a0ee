import { bareSheet, type PrintedItem, type Sheet, type WorksheetPage } from '@hand-back/core'
import { placeOn } from './answers.ts'

/** What the demo's teacher put on the pages of her worksheets, by title. */
export function prepared(title: string, pages: readonly WorksheetPage[], newId: () => string): Sheet {
  const bare = bareSheet(pages)
  const prepare = PREPARED[title]
  return prepare ? prepare(bare, newId) : bare
}

const PREPARED: Record<string, (sheet: Sheet, newId: () => string) => Sheet> = {
  'Parts of a shore crab': crabCards,
  'Reading a tide table': (sheet, newId) =>
    withQuestions(sheet, newId, 'Reading a tide table', [
      [2, 'table'],
      [4, 'graph'],
      [4, 'ferry'],
      [4, 'wall'],
      [3, 'least'],
      [4, 'dry'],
      [4, 'later'],
      [4, 'lowBay', 'highBay'],
    ]),
  'Bearings across the bay': (sheet, newId) =>
    withQuestions(sheet, newId, 'Bearings across the bay', [
      [4, 'chart', 'buoy'],
      [2, 'far'],
      [2, 'light'],
    ]),
}

/** The margin of the demo's pages at the right, in points. */
const MARGIN = 56

type Titled = Parameters<typeof placeOn>[0]

/** Questions over places of the printed pages, each with its full marks. */
function withQuestions(
  sheet: Sheet,
  newId: () => string,
  title: Titled,
  asked: readonly (readonly [fullMarks: number, ...places: string[]])[],
): Sheet {
  const questions = asked.map(([fullMarks, ...places], index) => ({
    id: newId(),
    label: String(index + 1),
    fullMarks,
    areas: places.map((name) => {
      const { page, ...place } = placeOn(title, name)
      const on = sheet.pages[page]!
      // Students write beside what is printed: a question reaches to the margin at the right.
      return { page: on.id, ...place, width: Math.max(place.width, on.width - MARGIN - place.x) }
    }),
  }))
  return { ...sheet, questions }
}

const CARDS = ['shell', 'eye', 'pincer', 'walking leg', 'mouth', 'fin']

/** The labels as cards under the picture; one of them fits nowhere. */
function crabCards(sheet: Sheet, newId: () => string): Sheet {
  const [first, ...rest] = sheet.pages
  const cards = CARDS.map(
    (text, index): PrintedItem => ({
      id: newId(),
      kind: 'card',
      x: 82 + index * 73,
      y: 412,
      width: 68,
      height: 22,
      face: { kind: 'text', text, size: 11 },
      tint: '#f7f5ef',
      stack: false,
    }),
  )
  return { ...sheet, pages: [{ ...first!, printed: cards }, ...rest] }
}
