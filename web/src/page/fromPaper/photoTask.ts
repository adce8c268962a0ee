import type { Corners } from '@hand-back/core'

/** "Keep this photo, and look for the sheet in it", or "show me the sheet between these corners, so large at most". */
export type PhotoTask =
  | { readonly what: 'open'; readonly picture: ImageBitmap }
  | { readonly what: 'straighten'; readonly corners: Corners; readonly most: number }

/** Corners in pixels of the photo; `found`: they are those of a sheet. A picture as JPEG. */
export type PhotoAnswer =
  | { readonly what: 'open'; readonly corners: Corners; readonly found: boolean }
  | { readonly what: 'straighten'; readonly bytes: Blob; readonly width: number; readonly height: number }
  | { readonly what: 'no sheet' }
