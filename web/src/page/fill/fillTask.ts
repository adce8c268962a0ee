import type { Point } from '@hand-back/core'

/** "What region of this picture of a page, `scale` pixels a point, does the tap mean?" */
export interface FillTask {
  readonly picture: ImageBitmap
  readonly tap: Point
  readonly scale: number
}

/** Its rings in points of the page; nothing: nothing bounds it. */
export type FillAnswer = readonly (readonly Point[])[] | undefined
