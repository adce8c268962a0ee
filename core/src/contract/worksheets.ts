import { z } from 'zod'
import { plainText } from '../words/plainText.ts'
import { worksheetPage } from '../worksheet/page.ts'
import { sheet } from '../worksheet/sheet.ts'

export const worksheetTitle = plainText()
  .trim()
  .min(1, 'A worksheet needs a title.')
  .max(120, 'That title is too long.')
/** The unit that a worksheet stands in; empty: none. */
export const unitName = plainText().trim().max(80, 'That name is too long.')
export const renameWorksheet = z.object({ title: worksheetTitle.optional(), unit: unitName.optional() })

/** The largest file taken, in bytes. */
export const MOST_FILE_BYTES = 100 * 1024 * 1024

export const worksheetCard = z.object({
  id: z.uuid(),
  title: z.string(),
  unit: z.string(),
  pageCount: z.number(),
  firstPage: worksheetPage.nullable(),
  /** Tells the first page as it is from how it was before: its picture is another then. */
  look: z.string().nullable(),
  changedAt: z.number(),
  timesHandedOut: z.number(),
  archived: z.boolean(),
})
export type WorksheetCard = z.infer<typeof worksheetCard>

export const worksheetWhole = z.object({
  id: z.uuid(),
  title: z.string(),
  unit: z.string(),
  /** Counts the changes: one made to an older state is refused instead of undoing another's. */
  revision: z.number().int(),
  sheet,
  /** It has been handed out as it is: a change makes a new version and leaves the copies alone. */
  frozen: z.boolean(),
})
export type WorksheetWhole = z.infer<typeof worksheetWhole>

/** A worksheet made from pages that are there already: from blank paper, a starter, another worksheet. */
export const newWorksheet = z.object({ title: worksheetTitle, unit: unitName.default(''), sheet })

/** Under what name something comes to stand on the shelf. */
export const shelfWish = z.object({ title: worksheetTitle })

/** What changed in preparation: every page's id in order, the pages that differ, and the rest where it differs. */
export const sheetChange = z.object({
  revision: z.number().int(),
  order: z.array(z.uuid()).max(2000),
  pages: z.array(worksheetPage).max(2000),
  questions: sheet.shape.questions.optional(),
  keys: sheet.shape.keys.optional(),
  sets: sheet.shape.sets.optional(),
})
export type SheetChange = z.infer<typeof sheetChange>

export const sheetKept = z.object({ revision: z.number().int(), frozen: z.boolean() })

/** Files that did not come in, and why. */
const refusedFiles = z.array(z.object({ name: z.string(), sentence: z.string() }))
export type RefusedFiles = z.infer<typeof refusedFiles>

/** A worksheet made of files, those of them that could be used. */
export const worksheetBroughtIn = worksheetWhole.extend({
  refused: refusedFiles,
  /** What is worth knowing of the others, in sentences. */
  said: z.array(z.string()),
})
/** Pages made of files, to be put among a worksheet's. */
export const pagesBroughtIn = z.object({
  title: z.string(),
  pages: z.array(worksheetPage),
  refused: refusedFiles,
  said: z.array(z.string()),
})
export const filmBroughtIn = z.object({ file: z.string() })
export const pictureBroughtIn = z.object({ file: z.string(), width: z.number(), height: z.number() })
