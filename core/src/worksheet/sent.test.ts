import { describe, expect, test } from '@jest/globals'
import type { PrintedItem } from '../kinds/printed.ts'
import { filesOfPages, type WorksheetPage, worksheetPage } from './page.ts'
import type { PdfPaper } from './paper.ts'
import { type Recipe, sourceOfRecipe } from './recipe.ts'
import { partsOfPage, sentPage } from './sent.ts'

const SOURCE = 'a'.repeat(64)
const PICTURE = 'b'.repeat(64)
const MADE = 'f'.repeat(64)
const id = () => crypto.randomUUID()
const pdf: PdfPaper = { kind: 'pdf', file: SOURCE, number: 7, box: [10, 20, 310, 420], turn: 90, unit: 1 }
const lying = (box: Partial<PrintedItem>) => ({ id: id(), x: 10, y: 10, width: 50, height: 40, ...box })
const pictureItem = (more: object = {}): PrintedItem =>
  ({
    ...lying({}),
    kind: 'picture',
    file: PICTURE,
    alt: 'a crab',
    crop: { x: 0.2, y: 0, width: 0.5, height: 1 },
    ...more,
  }) as PrintedItem
const card: PrintedItem = {
  ...lying({}),
  kind: 'card',
  tint: '#ffffff',
  stack: false,
  face: { kind: 'picture', file: PICTURE, alt: '' },
}
const piece: PrintedItem = {
  ...lying({}),
  kind: 'piece',
  paper: pdf,
  whole: { width: 400, height: 300 },
  part: { x: 5, y: 5, width: 90, height: 60 },
  alt: 'question 3',
}
const typed: PrintedItem = { ...lying({}), kind: 'typed', label: '', takes: 'line', size: 12 }
const page = (more: Partial<WorksheetPage> = {}): WorksheetPage => ({
  id: id(),
  width: 400,
  height: 300,
  paper: pdf,
  printed: [],
  ...more,
})

/** A page as it is sent, and the recipes of what it names. */
function sent(of: WorksheetPage) {
  const recipes: Recipe[] = []
  const made = sentPage(of, (recipe) => {
    recipes.push(recipe)
    return MADE
  })
  return { made, recipes }
}

describe('a page as it is sent', () => {
  test('names none of the files it was made of, and is a page still', () => {
    const full = page({ printed: [pictureItem(), card, piece, typed] })
    const { made, recipes } = sent(full)
    expect(filesOfPages([made])).toEqual([MADE])
    expect(worksheetPage.parse(made)).toEqual(made)
    expect(recipes.map(sourceOfRecipe).toSorted()).toEqual([SOURCE, SOURCE, PICTURE, PICTURE])
  })

  test('keeps ids and places; a part of a page is a picture there, its words for those who hear it too', () => {
    const { made } = sent(page({ printed: [typed, card, piece] }))
    expect(made.printed.map((item) => [item.id, item.x, item.y, item.kind])).toEqual([
      [typed.id, 10, 10, 'typed'],
      [card.id, 10, 10, 'card'],
      [piece.id, 10, 10, 'picture'],
    ])
    expect(made.printed[2]).toMatchObject({ alt: 'question 3', crop: { x: 0, y: 0, width: 1, height: 1 } })
    expect(made.paper).toEqual({ ...pdf, file: MADE, number: 1 })
  })

  test('has of a picture what the crop shows, and the whole of one that is not cropped', () => {
    const whole = { x: 0, y: 0, width: 1, height: 1 }
    const { recipes } = sent(page({ printed: [pictureItem(), pictureItem({ crop: whole })] }))
    expect(recipes.filter(({ kind }) => kind === 'picture')).toEqual([
      { kind: 'picture', file: PICTURE, crop: { x: 0.2, y: 0, width: 0.5, height: 1 } },
      { kind: 'picture', file: PICTURE },
    ])
  })

  test('has of a paper that hangs over its edge what lies on the page', () => {
    const { made, recipes } = sent(page({ paperBox: { x: 200, y: -150, width: 400, height: 300 } }))
    expect(made.paperBox).toEqual({ x: 200, y: 0, width: 200, height: 150 })
    expect(made.paper.kind).toBe('picture')
    expect(recipes).toEqual([
      {
        kind: 'part',
        paper: pdf,
        whole: { width: 400, height: 300 },
        part: { x: 0, y: 150, width: 200, height: 150 },
      },
    ])
  })

  test('leaves out what lies wholly beside it', () => {
    const { made } = sent(
      page({ printed: [{ ...typed, x: 401 }, { ...pictureItem(), y: -41 } as PrintedItem, typed] }),
    )
    expect(made.printed).toEqual([typed])
  })
})

test('what must be made is told with the sets that it is for', () => {
  const set = id()
  const of = page({ printed: [pictureItem({ sets: [set] }), card] })
  expect(partsOfPage(of).map(({ recipe, sets }) => [recipe.kind, sets])).toEqual([
    ['page', undefined],
    ['picture', [set]],
    ['picture', undefined],
  ])
})
