import { type Box, within } from './box.ts'
import type { Paper, PdfPaper } from './paper.ts'

export type FiledPaper = Exclude<Paper, { kind: 'ruled' }>
interface Size {
  readonly width: number
  readonly height: number
}

/**
 * How a file that a student may have is made from one that they may not:
 * `page`: one page of a PDF by itself, without scripts, notes and whatever else is not seen on it;
 * `part`: what is seen in a part (points) of a paper whose whole size is `whole`, drawn as a picture;
 * `picture`: a picture without what a camera noted in it, and of it only what `crop` shows;
 * `film`: a film or a voice as it was brought in.
 */
export type Recipe =
  | { readonly kind: 'page'; readonly paper: PdfPaper }
  | { readonly kind: 'part'; readonly paper: FiledPaper; readonly whole: Size; readonly part: Box }
  | { readonly kind: 'picture'; readonly file: string; readonly crop?: Box }
  | { readonly kind: 'film'; readonly file: string }

/** Gives the name of what a recipe makes. */
export type NameOf = (recipe: Recipe) => string

/** The file that a recipe is made of. */
export const sourceOfRecipe = (recipe: Recipe): string => ('file' in recipe ? recipe.file : recipe.paper.file)

/** All of a picture. */
export const WHOLE: Box = { x: 0, y: 0, width: 1, height: 1 }

/** A picture, and of it only what `crop` shows. */
export function pictureRecipe(file: string, crop: Box): Recipe {
  return within(crop, WHOLE) ? { kind: 'picture', file } : { kind: 'picture', file, crop }
}
