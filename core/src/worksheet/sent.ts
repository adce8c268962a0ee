import { sentItem } from '../kinds/printed.ts'
import { seenBox } from '../kinds/turned.ts'
import { type Box, bottom, meet, right, within } from './box.ts'
import { paperBoxOf, type WorksheetPage } from './page.ts'
import { seenSize } from './paper.ts'
import type { NameOf, Recipe } from './recipe.ts'

/** A recipe with the sets of students that its result is for; nothing: for whoever has the page. */
export interface SentPart {
  readonly recipe: Recipe
  readonly sets: readonly string[] | undefined
}

/**
 * A page as it is sent to those who receive it: instead of the files it was made of it names what is made
 * of them by recipes, so that nothing leaves which cannot be seen on the page. `nameOf` gives the name
 * of what a recipe makes.
 *
 * Laws: no file of the page is named any more; answer places, cards and links keep their ids and places;
 * what lies wholly outside of the page is not there.
 */
export function sentPage(page: WorksheetPage, nameOf: NameOf): WorksheetPage {
  const printed = itemsWithin(page).map((item) => sentItem(item, nameOf))
  return { ...page, ...sentPaper(page, nameOf), printed }
}

/** Everything that must be made for a page, and for whom. */
export function partsOfPage(page: WorksheetPage): SentPart[] {
  const parts: SentPart[] = []
  const noting = (sets: readonly string[] | undefined) => (recipe: Recipe) => {
    parts.push({ recipe, sets })
    return ''
  }
  sentPaper(page, noting(undefined))
  for (const item of itemsWithin(page)) sentItem(item, noting(item.sets))
  return parts
}

/** What is printed on a page and not wholly beside it. */
function itemsWithin(page: WorksheetPage): WorksheetPage['printed'] {
  const sheet = { x: 0, y: 0, width: page.width, height: page.height }
  return page.printed.filter((item) => meet(sheet, seenBox(item)))
}

function sentPaper(page: WorksheetPage, nameOf: NameOf): Partial<WorksheetPage> {
  const { paper } = page
  if (paper.kind === 'ruled') return {}
  const box = paperBoxOf(page)
  const sheet = { x: 0, y: 0, width: page.width, height: page.height }
  if (within(sheet, box)) {
    return paper.kind === 'pdf'
      ? { paper: { ...paper, file: nameOf({ kind: 'page', paper }), number: 1 } }
      : { paper: { ...paper, file: nameOf({ kind: 'picture', file: paper.file }) } }
  }
  // The page's edge cuts it off.
  const seen = shared(box, sheet)
  if (!seen) return { paper: { kind: 'ruled', ruling: { form: 'plain', colour: '#ffffff' } } }
  // A PDF page has a size of its own, a picture that at which it lies.
  const whole = paper.kind === 'pdf' ? seenSize(paper) : { width: box.width, height: box.height }
  const [sx, sy] = [whole.width / box.width, whole.height / box.height]
  const part = {
    x: (seen.x - box.x) * sx,
    y: (seen.y - box.y) * sy,
    width: seen.width * sx,
    height: seen.height * sy,
  }
  return { paper: { kind: 'picture', file: nameOf({ kind: 'part', paper, whole, part }) }, paperBox: seen }
}

function shared(a: Box, b: Box): Box | undefined {
  const [x, y] = [Math.max(a.x, b.x), Math.max(a.y, b.y)]
  const [width, height] = [Math.min(right(a), right(b)) - x, Math.min(bottom(a), bottom(b)) - y]
  return width > 0 && height > 0 ? { x, y, width, height } : undefined
}
