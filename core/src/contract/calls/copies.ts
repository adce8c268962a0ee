import { z } from 'zod'
import { attachmentArrived } from '../attachments.ts'
import { bytes, doing, nothing, putting, reading, streaming } from '../call.ts'
import { copyStanding, copyWhole, meanwhile as meanwhileTold, trayEntry } from '../copies.ts'
import { formulaAsked, formulaDrawn } from '../formulas.ts'
import { keptEvents } from '../live.ts'
import { handDown, ownHand, ownLessonTold } from '../room.ts'

// A copy, its tray, and what lies on its pages.

export const tray = reading('student', '/tray', z.array(trayEntry))
export const copy = reading('anybody', '/copies/:copy', copyWhole)
export const log = reading('anybody', '/copies/:copy/log', keptEvents)
export const open = doing('student', '/copies/:copy/open', nothing, copyStanding)
export const handIn = doing('student', '/copies/:copy/hand-in', nothing, copyStanding)
export const takeBack = doing('student', '/copies/:copy/take-back', nothing, copyStanding)
/** All of it, or the next chunk (`sayChunk` in Content-Range). One that school has already, or is not the next, changes nothing. */
export const keepAttachment = streaming(
  'bytes',
  putting('anybody', '/copies/:copy/attachments/:attachment', bytes, attachmentArrived),
)
export const attachmentStanding = reading(
  'anybody',
  '/copies/:copy/attachments/:attachment/arrived',
  attachmentArrived,
)
export const attachment = streaming(
  'file',
  reading('anybody', '/copies/:copy/attachments/:attachment', bytes),
)
export const file = streaming('file', reading('anybody', '/files/:file', bytes))
export const spoken = streaming('file', reading('anybody', '/spoken/:spoken', bytes))
export const drawFormula = doing('anybody', '/formulas', formulaAsked, formulaDrawn)
/** Asks for the teacher, in this copy; asked twice it is asked once. */
export const putHandUp = doing('student', '/copies/:copy/hand-up', nothing, nothing)
export const takeHandDown = doing('anybody', '/copies/:copy/hand-down', handDown, nothing)
export const hand = reading('student', '/copies/:copy/hand', ownHand)
/** What others did in a shared copy since one left it. */
export const meanwhile = reading('student', '/copies/:copy/meanwhile', meanwhileTold)
/** What was said to the class that works on it. */
export const ownLesson = reading('student', '/copies/:copy/lesson', ownLessonTold)
