import { z } from 'zod'
import { bytes, changing, doing, dropping, making, nothing, putting, reading, streaming } from '../call.ts'
import {
  addStudents as addStudentsTold,
  classCard,
  classWhole,
  joinRequest,
  newClass,
  rosterTaken,
  slipsAsked,
  studentChange,
  studentWithPin,
} from '../classes.ts'
import { invitationToken } from '../door.ts'
import { grouping, newGrouping } from '../handouts.ts'
import { classMail as classMailTold } from '../mail.ts'
import { elsewhereKept, marksBook as marksBookTold } from '../marksBook.ts'

// Classes, their students and groups, and those who ask to be let in.

export const classes = reading('teacher', '/classes', z.array(classCard))
export const makeClass = making('teacher', '/classes', newClass, classCard)
export const wholeClass = reading('teacher', '/classes/:class', classWhole)
export const renameClass = changing('teacher', '/classes/:class', newClass, nothing)
export const addStudents = making(
  'teacher',
  '/classes/:class/students',
  addStudentsTold,
  z.array(studentWithPin),
)
export const changeStudent = changing('teacher', '/classes/:class/students/:student', studentChange, nothing)
/** What was, or would have been, sent to the students of a class. */
export const classMail = reading('teacher', '/classes/:class/mail', classMailTold)
export const removeStudent = dropping('teacher', '/classes/:class/students/:student', nothing, nothing)
export const renewPin = doing('teacher', '/classes/:class/students/:student/pin', nothing, studentWithPin)
export const groupings = reading('teacher', '/classes/:class/groupings', z.array(grouping))
export const keepGrouping = putting('teacher', '/classes/:class/groupings/:grouping', newGrouping, nothing)
export const dropGrouping = dropping('teacher', '/classes/:class/groupings/:grouping', nothing, nothing)
export const roster = streaming('file', reading('teacher', '/classes/:class/roster', bytes))
export const takeRoster = doing('teacher', '/classes/:class/roster', rosterTaken, z.array(studentWithPin))
export const slips = streaming('file', doing('teacher', '/classes/:class/slips', slipsAsked, bytes))
/** Makes a link that lets one colleague in, once. */
export const invite = doing('teacher', '/classes/:class/invitation', nothing, invitationToken)
export const removeTeacher = dropping('teacher', '/classes/:class/teachers/:teacher', nothing, nothing)
export const joining = reading('teacher', '/classes/:class/joining', z.array(joinRequest))
export const letIn = doing('teacher', '/classes/:class/joining/:join/let-in', nothing, nothing)
export const notLetIn = doing('teacher', '/classes/:class/joining/:join/not-let-in', nothing, nothing)
/** Everything that a class was given marks for. */
export const marksBook = reading('teacher', '/classes/:class/marks', marksBookTold)
/** Keeps marks from elsewhere under an id that the device makes, or changes them. */
export const keepElsewhere = putting(
  'teacher',
  '/classes/:class/elsewhere/:elsewhere',
  elsewhereKept,
  nothing,
)
export const dropElsewhere = dropping('teacher', '/classes/:class/elsewhere/:elsewhere', nothing, nothing)
