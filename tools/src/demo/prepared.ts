import { bareSheet, type PrintedItem, type Sheet, type WorksheetPage } from '@hand-back/core'

/** What the demo's teacher put on the pages of her worksheets, by title. */
export function prepared(title: string, pages: readonly WorksheetPage[], newId: () => string): Sheet {
  const bare = bareSheet(pages)
  const prepare = PREPARED[title]
  return prepare ? prepare(bare, newId) : bare
}

const PREPARED: Record<string, (sheet: Sheet, newId: () => string) => Sheet> = {
  'Parts of a shore crab': crabCards,
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
