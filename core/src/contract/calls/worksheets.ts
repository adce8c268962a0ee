import { z } from 'zod'
import { bytes, changing, doing, dropping, making, nothing, putting, reading, streaming } from '../call.ts'
import { keptEvents } from '../live.ts'
import { workedMore } from '../worked.ts'
import {
  filmBroughtIn,
  newWorksheet,
  pagesBroughtIn,
  pictureBroughtIn,
  renameWorksheet as renameWorksheetTold,
  sheetChange,
  sheetKept,
  worksheetBroughtIn,
  worksheetCard,
  worksheetWhole,
} from '../worksheets.ts'

// Worksheets and what is brought in for them.

export const worksheets = reading('teacher', '/worksheets', z.array(worksheetCard))
export const makeWorksheet = making('teacher', '/worksheets', newWorksheet, worksheetWhole)
export const bringInWorksheet = streaming(
  'files',
  making('teacher', '/worksheets', bytes, worksheetBroughtIn),
)
export const worksheet = reading('teacher', '/worksheets/:worksheet', worksheetWhole)
export const renameWorksheet = changing('teacher', '/worksheets/:worksheet', renameWorksheetTold, nothing)
export const keepSheet = putting('teacher', '/worksheets/:worksheet/sheet', sheetChange, sheetKept)
export const bringInPages = streaming(
  'files',
  making('teacher', '/worksheets/:worksheet/files', bytes, pagesBroughtIn),
)
export const bringInPicture = streaming(
  'files',
  making('teacher', '/worksheets/:worksheet/pictures', bytes, pictureBroughtIn),
)
export const bringInFilm = streaming(
  'files',
  making('teacher', '/worksheets/:worksheet/films', bytes, filmBroughtIn),
)
export const duplicateWorksheet = making(
  'teacher',
  '/worksheets/:worksheet/duplicate',
  nothing,
  worksheetWhole,
)
export const archiveWorksheet = doing('teacher', '/worksheets/:worksheet/archive', nothing, nothing)
export const bringBackWorksheet = doing('teacher', '/worksheets/:worksheet/bring-back', nothing, nothing)
/** The worksheet for paper, empty; how, stands behind the address (`printing`). */
export const worksheetPdf = streaming('file', reading('teacher', '/worksheets/:worksheet/pdf', bytes))
/** The first page, drawn small (WebP). */
export const worksheetPicture = streaming('file', reading('teacher', '/worksheets/:worksheet/picture', bytes))
/** A teacher's worked copy of a worksheet: everything that was done to it. */
export const worked = reading('teacher', '/worksheets/:worksheet/worked', keptEvents)
export const keepWorked = doing('teacher', '/worksheets/:worksheet/worked', workedMore, nothing)
/** Begins it afresh. */
export const dropWorked = dropping('teacher', '/worksheets/:worksheet/worked', nothing, nothing)
/** The same, for whoever marks a hand-out of the worksheet. */
export const workedOfHandout = reading('teacher', '/handouts/:handout/worked', keptEvents)
