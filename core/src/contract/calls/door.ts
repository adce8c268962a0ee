import { z } from 'zod'
import { doing, making, reading } from '../call.ts'
import {
  classList,
  classSignIn,
  demoSignIn,
  firstTeacher as firstTeacherTold,
  invitationToken,
  invitationTold,
  joinAsked,
  joinStanding as joinStandingTold,
  newColleague as newColleagueTold,
  passwordChange,
  slipOwner as slipOwnerTold,
  slipSignIn,
  studentSignIn,
  teacherSignIn,
} from '../door.ts'
import { person } from '../people.ts'

// Coming in: by a password, a class code, a slip, or asking to be let in.

export const firstTeacher = doing('everybody', '/first-teacher', firstTeacherTold, person)
export const signInTeacher = doing('everybody', '/sign-in/teacher', teacherSignIn, person)
export const invitationOf = doing('everybody', '/invitation/whose', invitationToken, invitationTold)
export const newColleague = doing('everybody', '/invitation/new', newColleagueTold, person)
export const takeInvitation = doing(
  'teacher',
  '/invitation/take',
  invitationToken,
  z.object({ class: z.uuid() }),
)
export const signInClass = doing('everybody', '/sign-in/class', classSignIn, classList)
export const signInStudent = doing('everybody', '/sign-in/student', studentSignIn, person)
export const slipOwner = doing('everybody', '/sign-in/slip/whose', slipSignIn, slipOwnerTold)
export const signInSlip = doing('everybody', '/sign-in/slip', slipSignIn, person)
export const signInDemo = doing('everybody', '/sign-in/demo', demoSignIn, person)
export const changePassword = doing('teacher', '/password', passwordChange, person)
export const join = making('everybody', '/join', joinAsked, joinStandingTold)
export const joinStanding = reading('everybody', '/join/:join', joinStandingTold)
