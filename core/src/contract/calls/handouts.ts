import { z } from 'zod'
import { heapAct, heaps as heapsTold } from '../../question/heaps.ts'
import { saying } from '../../room/saying.ts'
import { seatingPlan } from '../../room/seatingPlan.ts'
import { answersTold } from '../answers.ts'
import { bytes, changing, doing, dropping, making, nothing, putting, reading, streaming } from '../call.ts'
import { copyStanding, pageOwners, pageParts } from '../copies.ts'
import {
  copyChange,
  copySet,
  handBackAnswer,
  handBackRequest,
  handedOut,
  handoutCard,
  handoutChange,
  handoutChanges as handoutChangesTold,
  handoutWhole,
  marksGiven,
  moreStudents,
  newHandout,
} from '../handouts.ts'
import {
  copyWork,
  handoutLooks as handoutLooksTold,
  marking as markingTold,
  moreQuestions,
  rubricChosen,
} from '../marking.ts'
import { marksByQuestion as marksByQuestionTold, saidOfClass as saidOfClassTold } from '../marksBook.ts'
import { boardOpened, lessonTold, newBoard, roomTold } from '../room.ts'
import { shelfWish, worksheetWhole } from '../worksheets.ts'

// Handing out, and what a teacher does with the copies of a hand-out.

export const keepSpoken = streaming('bytes', putting('teacher', '/spoken/:spoken', bytes, nothing))
export const handouts = reading('teacher', '/handouts', z.array(handoutCard))
export const handOut = making('teacher', '/handouts', newHandout, handedOut)
export const handout = reading('teacher', '/handouts/:handout', handoutWhole)
export const changeHandout = changing('teacher', '/handouts/:handout', handoutChange, nothing)
export const handoutChanges = reading('teacher', '/handouts/:handout/changes', handoutChangesTold)
export const sendChanges = doing('teacher', '/handouts/:handout/changes', nothing, nothing)
export const giveToMore = doing('teacher', '/handouts/:handout/students', moreStudents, nothing)
export const handBackMany = doing('teacher', '/handouts/:handout/hand-back', handBackRequest, handBackAnswer)
/** Gives the marks of copies that went back without them. */
export const giveMarks = doing('teacher', '/handouts/:handout/give-marks', marksGiven, nothing)
/** The questions of a hand-out, its key, and what its copies were given so far. */
export const marking = reading('teacher', '/handouts/:handout/marking', markingTold)
/** What every copy was given for every question. */
export const marksByQuestion = reading('teacher', '/handouts/:handout/marks', marksByQuestionTold)
/** What was said and sorted on its copies. */
export const saidOfClass = reading('teacher', '/handouts/:handout/said', saidOfClassTold)
/** Draws areas of questions for all its copies at once; the worksheet has them from now on, too. */
export const addQuestions = doing('teacher', '/handouts/:handout/questions', moreQuestions, nothing)
/** Takes back a question that was drawn while marking, as long as nobody was given marks for it. */
export const dropQuestion = dropping('teacher', '/handouts/:handout/questions/:question', nothing, nothing)
/** Gives a hand-out a rubric, another one, or none. */
export const setRubric = putting('teacher', '/handouts/:handout/rubric', rubricChosen, nothing)
/** What copies have for an answer to one question; which copies, stands behind the address (`answersAsked`). */
export const answers = reading('teacher', '/handouts/:handout/questions/:question/answers', answersTold)
/** The heaps that a teacher lays the answers to a question in. */
export const heaps = reading('teacher', '/handouts/:handout/questions/:question/heaps', heapsTold)
/** Makes a heap, puts copies in one, names it, or says what it is given. */
export const changeHeaps = doing(
  'teacher',
  '/handouts/:handout/questions/:question/heaps',
  heapAct,
  heapsTold,
)
/** What was done so far on each of its copies. */
export const handoutWork = reading('teacher', '/handouts/:handout/work', z.array(copyWork))
/** Which pages its copies have, and how each looks now. */
export const handoutLooks = reading('teacher', '/handouts/:handout/looks', handoutLooksTold)
/** A page of a copy drawn small, as its teacher sees it (JPEG); `of`, behind the address, is its look. */
export const pagePicture = streaming('file', reading('teacher', '/copies/:copy/pages/:page/picture', bytes))
export const givePages = putting('teacher', '/copies/:copy/owners', pageOwners, nothing)
/** Gives parts of the pages of a shared copy to some who share it. */
export const giveParts = putting('teacher', '/copies/:copy/parts', pageParts, nothing)
export const changeCopy = changing('teacher', '/copies/:copy', copyChange, nothing)
export const leaveCopy = dropping('teacher', '/copies/:copy/students/:student', nothing, nothing)
export const changeSet = putting('teacher', '/copies/:copy/set', copySet, nothing)
/** What was done on paper counts as handed in. */
export const takeIn = doing('teacher', '/copies/:copy/take-in', nothing, copyStanding)
export const handBack = doing('teacher', '/copies/:copy/hand-back', nothing, copyStanding)
export const bringBack = doing('teacher', '/copies/:copy/bring-back', nothing, copyStanding)
export const anotherGo = doing('teacher', '/copies/:copy/another-go', nothing, copyStanding)
/** Everybody's copy, one after the other, for paper; how, stands behind the address (`printing`). */
export const handoutPdf = streaming('file', reading('teacher', '/handouts/:handout/pdf', bytes))
/** A class at work: who asks, and where they sit. */
export const room = reading('teacher', '/handouts/:handout/room', roomTold)
/** Where its class sits, for all hand-outs of this teacher. */
export const keepSeats = putting('teacher', '/handouts/:handout/seats', seatingPlan, nothing)
/** What was said to the class that works on it. */
export const lesson = reading('teacher', '/handouts/:handout/lesson', lessonTold)
/** Says something to everybody who works on it, or to some. */
export const say = doing('teacher', '/handouts/:handout/lesson', saying, lessonTold)
/** Opens pages to write on at the front: a copy to read that nobody has yet. */
export const openBoard = making('teacher', '/boards', newBoard, boardOpened)
/** Puts a copy as it is on the shelf, as a worksheet. */
export const copyToShelf = making('teacher', '/copies/:copy/to-shelf', shelfWish, worksheetWhole)
