import type { Corners, PlacedSheet, SeenSheet } from '@hand-back/core'

interface Size {
  readonly width: number
  readonly height: number
}

/**
 * "Keep this photo, and look for the sheet in it"; "where in it does this page lie, as it was printed?"; or "show me
 * what is between these corners, so large at most", in the proportions of a page where there is one.
 */
export type PhotoTask =
  | { readonly what: 'open'; readonly picture: ImageBitmap }
  | { readonly what: 'place'; readonly printed: ImageBitmap; readonly page: Size; readonly corners: Corners }
  | { readonly what: 'straighten'; readonly corners: Corners; readonly most: number; readonly page?: Size }

/** Corners in pixels of the photo. A picture as JPEG. */
export type PhotoAnswer =
  | { readonly what: 'open'; readonly seen: SeenSheet }
  | { readonly what: 'place'; readonly placed: PlacedSheet }
  | { readonly what: 'straighten'; readonly bytes: Blob; readonly width: number; readonly height: number }
  | { readonly what: 'no sheet' }
