import type { Bounds, QuarterTurn } from '@hand-back/core'

/** Where a paper is to be had: an address, which page of it, how it is turned. Sizes in points as seen. */
export type PaperSource =
  | {
      readonly kind: 'pdf'
      readonly url: string
      readonly number: number
      /** Left out: as the PDF says. */
      readonly turn?: QuarterTurn
    }
  | {
      readonly kind: 'picture'
      readonly url: string
      readonly width: number
      readonly height: number
      readonly turn: QuarterTurn
    }

/** "Draw this part (points) of that paper at this many pixels a point." */
export interface PaperTask {
  readonly id: number
  readonly source: PaperSource
  readonly part: Bounds
  readonly scale: number
}

/** "How large is each page of the PDF there?" In points, as seen. */
export interface PagesTask {
  readonly id: number
  readonly pagesOf: string
}

/** `begun`: its bytes are here, and drawing begins. */
export type PaperAnswer =
  | { id: number; begun: true }
  | { id: number; bitmap: ImageBitmap }
  | { id: number; problem: string }

export type PagesAnswer =
  | { id: number; pages: readonly { width: number; height: number }[] }
  | { id: number; problem: string }
