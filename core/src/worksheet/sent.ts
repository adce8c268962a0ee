import { type Box, bottom, meet, right, within } from './box.ts'
import { paperBoxOf, type WorksheetPage } from './page.ts'
import { type Paper, type PdfPaper, seenSize } from './paper.ts'
import type { CardFace, PrintedItem } from './printed.ts'

type FiledPaper = Exclude<Paper, { kind: 'ruled' }>
interface Size {
  readonly width: number
  readonly height: number
}

/**
 * How a file that a student may have is made from one that they may not:
 * `page`: one page of a PDF by itself, without scripts, notes and whatever else is not seen on it;
 * `part`: what is seen in a part (points) of a paper whose whole size is `whole`, drawn as a picture;
 * `picture`: a picture without what a camera noted in it, and of it only what `crop` shows.
 */
export type Recipe =
  | { readonly kind: 'page'; readonly paper: PdfPaper }
  | { readonly kind: 'part'; readonly paper: FiledPaper; readonly whole: Size; readonly part: Box }
  | { readonly kind: 'picture'; readonly file: string; readonly crop?: Box }

/** The file that a recipe is made of. */
export const sourceOfRecipe = (recipe: Recipe): string =>
  recipe.kind === 'picture' ? recipe.file : recipe.paper.file

/** A recipe with the sets of students that its result is for; nothing: for whoever has the page. */
export interface SentPart {
  readonly recipe: Recipe
  readonly sets: readonly string[] | undefined
}

const WHOLE: Box = { x: 0, y: 0, width: 1, height: 1 }

/**
 * A page as it is sent to those who receive it: instead of the files it was made of it names what is made
 * of them by recipes, so that nothing leaves which cannot be seen on the page. `nameOf` gives the name
 * of what a recipe makes.
 *
 * Laws: no file of the page is named any more; answer places, cards and links keep their ids and places;
 * what lies wholly outside of the page is not there.
 */
export function sentPage(page: WorksheetPage, nameOf: NameOf): WorksheetPage {
  const printed = page.printed.flatMap((item) => sentItem(item, page, nameOf))
  return { ...page, ...sentPaper(page, nameOf), printed }
}

type NameOf = (recipe: Recipe) => string

/** Everything that must be made for a page, and for whom. */
export function partsOfPage(page: WorksheetPage): SentPart[] {
  const parts: SentPart[] = []
  const noting = (sets: readonly string[] | undefined) => (recipe: Recipe) => {
    parts.push({ recipe, sets })
    return ''
  }
  sentPaper(page, noting(undefined))
  for (const item of page.printed) sentItem(item, page, noting(item.sets))
  return parts
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

function sentItem(item: PrintedItem, page: WorksheetPage, nameOf: NameOf): PrintedItem[] {
  const sheet = { x: 0, y: 0, width: page.width, height: page.height }
  if (!meet(sheet, item)) return []
  switch (item.kind) {
    case 'picture':
      return [{ ...item, file: nameOf(pictureRecipe(item.file, item.crop)), crop: WHOLE }]
    case 'card':
      return [{ ...item, face: sentFace(item.face, nameOf) }]
    case 'piece': {
      const { paper, whole, part, kind: _kind, ...rest } = item
      if (paper.kind === 'ruled') return [item]
      return [{ ...rest, kind: 'picture', file: nameOf({ kind: 'part', paper, whole, part }), crop: WHOLE }]
    }
    default:
      return [item]
  }
}

function sentFace(face: CardFace, nameOf: NameOf): CardFace {
  return face.kind === 'picture' ? { ...face, file: nameOf(pictureRecipe(face.file, WHOLE)) } : face
}

function pictureRecipe(file: string, crop: Box): Recipe {
  return within(crop, WHOLE) ? { kind: 'picture', file } : { kind: 'picture', file, crop }
}

function shared(a: Box, b: Box): Box | undefined {
  const [x, y] = [Math.max(a.x, b.x), Math.max(a.y, b.y)]
  const [width, height] = [Math.min(right(a), right(b)) - x, Math.min(bottom(a), bottom(b)) - y]
  return width > 0 && height > 0 ? { x, y, width, height } : undefined
}
