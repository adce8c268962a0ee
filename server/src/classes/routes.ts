import { CALLS } from '@hand-back/core'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { answering, streamed } from '../http/answering.ts'
import { endSessions, makeInvitation, signInLimits } from '../people/index.ts'
import { dropGrouping, groupingsOf, keepGrouping } from './groupings.ts'
import { answerJoin, askToJoin, joinStandingOf, waitingToJoin } from './joining.ts'
import {
  addStudentsTo,
  changeStudentOf,
  classesOf,
  inNoClass,
  makeClass,
  ownClass,
  removeStudent,
  removeTeacher,
  renameClass,
  renewPin,
  teachersOf,
  type WhenJoined,
  wholeClass,
} from './queries.ts'
import { rosterAsCsv, takeRoster } from './roster.ts'
import { makeSlips } from './slips.ts'

export function classRoutes(context: Context, whenJoined: WhenJoined): Router {
  const { db, now, news } = context
  const router = Router()
  const tell = (students: readonly { id: string }[]) => {
    for (const { id } of students) news.trayChanged(id)
  }

  answering(router, CALLS.classes, ({ person }) => classesOf(db, person.id))
  answering(router, CALLS.makeClass, ({ person, sent }) => makeClass(db, person.id, sent.name))
  answering(router, CALLS.wholeClass, ({ person, ids }) => wholeClass(db, person.id, ids.class))
  answering(router, CALLS.renameClass, async ({ person, ids, sent }) => {
    await renameClass(db, person.id, ids.class, sent.name)
  })
  answering(router, CALLS.addStudents, async ({ person, ids, sent }) => {
    const made = await addStudentsTo(db, person.id, ids.class, sent.names, whenJoined)
    tell(made)
    return made
  })
  answering(router, CALLS.changeStudent, async ({ person, ids, sent }) => {
    await changeStudentOf(db, person.id, ids.class, ids.student, sent)
  })
  answering(router, CALLS.removeStudent, async ({ person, ids }) => {
    await removeStudent(db, person.id, ids.class, ids.student, now())
    await endSessions(context, await inNoClass(db, [ids.student]))
  })
  answering(router, CALLS.renewPin, async ({ person, ids }) => {
    const renewed = await renewPin(db, person.id, ids.class, ids.student)
    await endSessions(context, [ids.student])
    return renewed
  })

  answering(router, CALLS.invite, async ({ person, ids }) => {
    const { id } = await ownClass(db, person.id, ids.class)
    return { token: await makeInvitation(db, id, person.id, now()) }
  })
  answering(router, CALLS.removeTeacher, async ({ person, ids }) => {
    const { handouts, copies } = await removeTeacher(db, person.id, ids.class, ids.teacher)
    news.teacherLeft(ids.teacher, handouts, copies)
  })

  answering(router, CALLS.groupings, ({ person, ids }) => groupingsOf(db, person.id, ids.class))
  answering(router, CALLS.keepGrouping, async ({ person, ids, sent }) => {
    await keepGrouping(db, person.id, ids.class, { ...sent, id: ids.grouping })
  })
  answering(router, CALLS.dropGrouping, async ({ person, ids }) => {
    await dropGrouping(db, person.id, ids.class, ids.grouping)
  })

  streamed(router, CALLS.roster, async ({ person, ids, request, response }) => {
    const { name, csv } = await rosterAsCsv(db, person.id, ids.class)
    context.log.info({ request: request.id, person: person.id, class: ids.class }, 'class list taken away')
    response.set('Content-Type', 'text/csv; charset=utf-8').attachment(`${name}.csv`).send(csv)
  })
  answering(router, CALLS.takeRoster, async ({ person, ids, sent }) => {
    const made = await takeRoster(db, person.id, ids.class, sent, whenJoined)
    tell(made)
    await endSessions(context, await inNoClass(db, sent.leave))
    return made
  })
  streamed(router, CALLS.slips, async ({ person, ids, sent, request, response }) => {
    // Where the teacher's own browser is: behind whatever proxy, that is the school's address.
    const address = request.get('origin') ?? `${request.protocol}://${request.get('host')}`
    const made = await makeSlips(db, person.id, ids.class, address, sent)
    if (sent.newPins) await endSessions(context, made.students)
    context.log.info({ request: request.id, person: person.id, slips: made.students.length }, 'slips made')
    response
      .set('Content-Type', 'application/pdf')
      .attachment(`${made.name}.pdf`)
      .send(Buffer.from(made.bytes))
  })
  answering(router, CALLS.joining, ({ person, ids }) => waitingToJoin(db, person.id, ids.class))
  for (const letIn of [true, false])
    answering(router, letIn ? CALLS.letIn : CALLS.notLetIn, async ({ person, ids }) => {
      const student = await answerJoin(db, person.id, ids.class, ids.join, letIn, whenJoined)
      if (student) news.trayChanged(student)
    })
  return router
}

/** What somebody who is not signed in may do: ask to be let in, and look whether they were. */
export function joinRoutes(context: Context): Router {
  const { db, news } = context
  const router = Router()
  const limits = signInLimits(context)
  answering(router, CALLS.join, async ({ sent, request }) => {
    // Every request counts, and stays counted: asking is for people, not for programs.
    await limits.count(request, 'join')
    const { classId, ...standing } = await askToJoin(db, sent)
    for (const { id } of await teachersOf(db, classId)) news.joinAsked(id)
    return standing
  })
  answering(router, CALLS.joinStanding, ({ ids }) => joinStandingOf(db, ids.join))
  return router
}
