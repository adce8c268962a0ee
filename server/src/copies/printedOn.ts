import type { Box } from '@hand-back/core'

/** What of a page decides what may be put on it: for which sets it is, and its items: their kinds, and where they are, by their ids. */
export interface PrintedPage {
  readonly sets: readonly string[] | undefined
  readonly items: ReadonlyMap<string, string>
  readonly boxes: ReadonlyMap<string, Box>
}
export type PrintedOn = ReadonlyMap<string, PrintedPage>
