import { z } from 'zod'
import type { KeptEvent } from '../page/events.ts'
import { changing, doing, dropping, making, nothing, putting, reading, streaming } from './call.ts'
import {
  addStudents,
  classCard,
  classWhole,
  joinAsked,
  joinRequest,
  joinStanding,
  newClass,
  renameStudent,
  rosterTaken,
  slipSignIn,
  slipsAsked,
  studentWithPin,
} from './classes.ts'
import { copyStanding, copyWhole, recordingKept } from './copies.ts'
import { habits } from './habits.ts'
import {
  copySet,
  grouping,
  handBackAnswer,
  handBackRequest,
  handedOut,
  handoutCard,
  handoutChange,
  handoutChanges,
  handoutWhole,
  moreStudents,
  newGrouping,
  newHandout,
  pageOwners,
  trayEntry,
} from './handouts.ts'
import {
  classList,
  classSignIn,
  demoSignIn,
  door,
  firstTeacher,
  passwordChange,
  person,
  slipOwner,
  studentSignIn,
  teacherSignIn,
} from './people.ts'
import {
  formulaAsked,
  formulaDrawn,
  newWorksheet,
  pagesBroughtIn,
  pictureBroughtIn,
  renameWorksheet,
  sheetChange,
  sheetKept,
  worksheetBroughtIn,
  worksheetCard,
  worksheetWhole,
} from './worksheets.ts'

const file = z.unknown()
const students = z.array(studentWithPin)

/**
 * Everything that can be asked of the server, but for what travels live (live.ts) and the formats of copies
 * (formats.ts): method, address, who may, what is sent, what comes back.
 */
export const CALLS = {
  door: reading('everybody', '/door', door),
  me: reading('everybody', '/me', person.nullable()),
  firstTeacher: doing('everybody', '/first-teacher', firstTeacher, person),
  signInTeacher: doing('everybody', '/sign-in/teacher', teacherSignIn, person),
  signInClass: doing('everybody', '/sign-in/class', classSignIn, classList),
  signInStudent: doing('everybody', '/sign-in/student', studentSignIn, person),
  slipOwner: doing('everybody', '/sign-in/slip/whose', slipSignIn, slipOwner),
  signInSlip: doing('everybody', '/sign-in/slip', slipSignIn, person),
  signInDemo: doing('everybody', '/sign-in/demo', demoSignIn, person),
  signOut: doing('anybody', '/sign-out', nothing, nothing),
  signOutEverywhere: doing('anybody', '/sign-out/everywhere', nothing, nothing),
  changePassword: doing('teacher', '/password', passwordChange, person),
  habits: reading('anybody', '/habits', habits),
  changeHabits: changing('anybody', '/habits', habits, nothing),

  classes: reading('teacher', '/classes', z.array(classCard)),
  makeClass: making('teacher', '/classes', newClass, classCard),
  class: reading('teacher', '/classes/:class', classWhole),
  renameClass: changing('teacher', '/classes/:class', newClass, nothing),
  addStudents: making('teacher', '/classes/:class/students', addStudents, students),
  renameStudent: changing('teacher', '/classes/:class/students/:student', renameStudent, nothing),
  removeStudent: dropping('teacher', '/classes/:class/students/:student', nothing, nothing),
  renewPin: doing('teacher', '/classes/:class/students/:student/pin', nothing, studentWithPin),
  groupings: reading('teacher', '/classes/:class/groupings', z.array(grouping)),
  keepGrouping: putting('teacher', '/classes/:class/groupings/:grouping', newGrouping, nothing),
  dropGrouping: dropping('teacher', '/classes/:class/groupings/:grouping', nothing, nothing),
  roster: streaming('file', reading('teacher', '/classes/:class/roster', file)),
  takeRoster: doing('teacher', '/classes/:class/roster', rosterTaken, students),
  slips: streaming('file', doing('teacher', '/classes/:class/slips', slipsAsked, file)),
  joining: reading('teacher', '/classes/:class/joining', z.array(joinRequest)),
  letIn: doing('teacher', '/classes/:class/joining/:join/let-in', nothing, nothing),
  notLetIn: doing('teacher', '/classes/:class/joining/:join/not-let-in', nothing, nothing),
  join: making('everybody', '/join', joinAsked, joinStanding),
  joinStanding: reading('everybody', '/join/:join', joinStanding),

  worksheets: reading('teacher', '/worksheets', z.array(worksheetCard)),
  makeWorksheet: making('teacher', '/worksheets', newWorksheet, worksheetWhole),
  bringInWorksheet: streaming('files', making('teacher', '/worksheets', file, worksheetBroughtIn)),
  worksheet: reading('teacher', '/worksheets/:worksheet', worksheetWhole),
  renameWorksheet: changing('teacher', '/worksheets/:worksheet', renameWorksheet, nothing),
  keepSheet: putting('teacher', '/worksheets/:worksheet/sheet', sheetChange, sheetKept),
  bringInPages: streaming('files', making('teacher', '/worksheets/:worksheet/files', file, pagesBroughtIn)),
  bringInPicture: streaming(
    'files',
    making('teacher', '/worksheets/:worksheet/pictures', file, pictureBroughtIn),
  ),
  duplicateWorksheet: making('teacher', '/worksheets/:worksheet/duplicate', nothing, worksheetWhole),
  archiveWorksheet: doing('teacher', '/worksheets/:worksheet/archive', nothing, nothing),
  bringBackWorksheet: doing('teacher', '/worksheets/:worksheet/bring-back', nothing, nothing),
  drawFormula: doing('anybody', '/formulas', formulaAsked, formulaDrawn),
  file: streaming('file', reading('anybody', '/files/:file', file)),

  tray: reading('student', '/tray', z.array(trayEntry)),
  keepSpoken: streaming('bytes', putting('teacher', '/spoken/:spoken', file, nothing)),
  spoken: streaming('file', reading('anybody', '/spoken/:spoken', file)),
  handouts: reading('teacher', '/handouts', z.array(handoutCard)),
  handOut: making('teacher', '/handouts', newHandout, handedOut),
  handout: reading('teacher', '/handouts/:handout', handoutWhole),
  changeHandout: changing('teacher', '/handouts/:handout', handoutChange, nothing),
  handoutChanges: reading('teacher', '/handouts/:handout/changes', handoutChanges),
  sendChanges: doing('teacher', '/handouts/:handout/changes', nothing, nothing),
  giveToMore: doing('teacher', '/handouts/:handout/students', moreStudents, nothing),
  handBackMany: doing('teacher', '/handouts/:handout/hand-back', handBackRequest, handBackAnswer),

  copy: reading('anybody', '/copies/:copy', copyWhole),
  log: reading('anybody', '/copies/:copy/log', z.array(z.custom<KeptEvent>())),
  givePages: putting('teacher', '/copies/:copy/owners', pageOwners, nothing),
  changeSet: putting('teacher', '/copies/:copy/set', copySet, nothing),
  open: doing('student', '/copies/:copy/open', nothing, copyStanding),
  handIn: doing('student', '/copies/:copy/hand-in', nothing, copyStanding),
  takeBack: doing('student', '/copies/:copy/take-back', nothing, copyStanding),
  handBack: doing('teacher', '/copies/:copy/hand-back', nothing, copyStanding),
  anotherGo: doing('teacher', '/copies/:copy/another-go', nothing, copyStanding),
  keepRecording: streaming(
    'bytes',
    putting('anybody', '/copies/:copy/recordings/:recording', file, recordingKept),
  ),
  recording: streaming('file', reading('anybody', '/copies/:copy/recordings/:recording', file)),
}
