import { z } from 'zod'
import { worksheetPage } from '../worksheet/paper.ts'

export const worksheetTitle = z
  .string()
  .trim()
  .min(1, 'A worksheet needs a title.')
  .max(120, 'That title is too long.')
export const renameWorksheet = z.object({ title: worksheetTitle })

/** The largest file taken, in bytes, and the most pages of one PDF. */
export const MOST_FILE_BYTES = 100 * 1024 * 1024
export const MOST_PAGES = 500

export const worksheetCard = z.object({
  id: z.uuid(),
  title: z.string(),
  pageCount: z.number(),
  firstPage: worksheetPage.nullable(),
  changedAt: z.number(),
  timesHandedOut: z.number(),
})
export type WorksheetCard = z.infer<typeof worksheetCard>

export const worksheetWhole = z.object({
  id: z.uuid(),
  title: z.string(),
  pages: z.array(worksheetPage),
  /** It has been handed out as it is: a change makes a new version and leaves the copies alone. */
  frozen: z.boolean(),
})
export type WorksheetWhole = z.infer<typeof worksheetWhole>
