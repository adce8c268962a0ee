import type { Corners, PageCode, Point } from '@hand-back/core'

/** "Keep this photo, and look for the sheet in it", or "show me the sheet between these corners, so large at most". */
export type PhotoTask =
  | { readonly what: 'open'; readonly picture: ImageBitmap }
  | { readonly what: 'straighten'; readonly corners: Corners; readonly most: number }

/**
 * Corners in pixels of the photo; `found`: they are those of a sheet; `code`: it says whose, and stands upright. A picture
 * as JPEG; `code`: where the middle of the code lies on it, in pixels.
 */
export type PhotoAnswer =
  | {
      readonly what: 'open'
      readonly corners: Corners
      readonly found: boolean
      readonly code: PageCode | undefined
    }
  | {
      readonly what: 'straighten'
      readonly bytes: Blob
      readonly width: number
      readonly height: number
      readonly code: Point | undefined
    }
  | { readonly what: 'no sheet' }
