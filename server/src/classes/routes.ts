import {
  addStudents,
  joinAsked,
  newClass,
  newGrouping,
  renameStudent,
  rosterTaken,
  slipsAsked,
} from '@hand-back/core'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { as, whoAsks } from '../http/as.ts'
import { idIn } from '../http/ids.ts'
import { endSessions, signInLimits } from '../people/index.ts'
import { dropGrouping, groupingsOf, keepGrouping } from './groupings.ts'
import { answerJoin, askToJoin, joinStandingOf, waitingToJoin } from './joining.ts'
import {
  addStudentsTo,
  classesOf,
  inNoClass,
  makeClass,
  removeStudent,
  renameClass,
  renameStudentOf,
  renewPin,
  type WhenJoined,
  wholeClass,
} from './queries.ts'
import { rosterAsCsv, takeRoster } from './roster.ts'
import { makeSlips } from './slips.ts'

export function classRoutes(context: Context, whenJoined: WhenJoined): Router {
  const { db, now, news } = context
  const router = Router()
  router.use('/classes', as('teacher'))
  const tell = (students: readonly { id: string }[]) => {
    for (const { id } of students) news.trayChanged(id)
  }

  router.get('/classes', async (request, response) => {
    response.json(await classesOf(db, whoAsks(request).id))
  })
  router.post('/classes', async (request, response) => {
    const { name } = newClass.parse(request.body)
    response.status(201).json(await makeClass(db, whoAsks(request).id, name))
  })
  router.get('/classes/:class', async (request, response) => {
    response.json(await wholeClass(db, whoAsks(request).id, idIn(request, 'class')))
  })
  router.patch('/classes/:class', async (request, response) => {
    await renameClass(db, whoAsks(request).id, idIn(request, 'class'), newClass.parse(request.body).name)
    response.status(204).end()
  })
  router.post('/classes/:class/students', async (request, response) => {
    const { names } = addStudents.parse(request.body)
    const id = idIn(request, 'class')
    const made = await addStudentsTo(db, whoAsks(request).id, id, names, whenJoined)
    tell(made)
    response.status(201).json(made)
  })
  router.patch('/classes/:class/students/:student', async (request, response) => {
    const { name } = renameStudent.parse(request.body)
    await renameStudentOf(db, whoAsks(request).id, idIn(request, 'class'), idIn(request, 'student'), name)
    response.status(204).end()
  })
  router.delete('/classes/:class/students/:student', async (request, response) => {
    const student = idIn(request, 'student')
    await removeStudent(db, whoAsks(request).id, idIn(request, 'class'), student, now())
    await endSessions(context, await inNoClass(db, [student]))
    response.status(204).end()
  })
  router.post('/classes/:class/students/:student/pin', async (request, response) => {
    const student = idIn(request, 'student')
    const renewed = await renewPin(db, whoAsks(request).id, idIn(request, 'class'), student)
    await endSessions(context, [student])
    response.json(renewed)
  })

  router.get('/classes/:class/groupings', async (request, response) => {
    response.json(await groupingsOf(db, whoAsks(request).id, idIn(request, 'class')))
  })
  router.put('/classes/:class/groupings/:grouping', async (request, response) => {
    const kept = { ...newGrouping.parse(request.body), id: idIn(request, 'grouping') }
    await keepGrouping(db, whoAsks(request).id, idIn(request, 'class'), kept)
    response.status(204).end()
  })
  router.delete('/classes/:class/groupings/:grouping', async (request, response) => {
    await dropGrouping(db, whoAsks(request).id, idIn(request, 'class'), idIn(request, 'grouping'))
    response.status(204).end()
  })

  router.get('/classes/:class/roster', async (request, response) => {
    const [person, of] = [whoAsks(request).id, idIn(request, 'class')]
    const { name, csv } = await rosterAsCsv(db, person, of)
    context.log.info({ request: request.id, person, class: of }, 'class list taken away')
    response.set('Content-Type', 'text/csv; charset=utf-8').attachment(`${name}.csv`).send(csv)
  })
  router.post('/classes/:class/roster', async (request, response) => {
    const taken = rosterTaken.parse(request.body)
    const made = await takeRoster(db, whoAsks(request).id, idIn(request, 'class'), taken, whenJoined)
    tell(made)
    await endSessions(context, await inNoClass(db, taken.leave))
    response.json(made)
  })
  router.post('/classes/:class/slips', async (request, response) => {
    const asked = slipsAsked.parse(request.body)
    // Where the teacher's own browser is: behind whatever proxy, that is the school's address.
    const address = request.get('origin') ?? `${request.protocol}://${request.get('host')}`
    const made = await makeSlips(db, whoAsks(request).id, idIn(request, 'class'), address, asked)
    if (asked.newPins) await endSessions(context, made.students)
    context.log.info(
      { request: request.id, person: whoAsks(request).id, slips: made.students.length },
      'slips made',
    )
    response
      .set('Content-Type', 'application/pdf')
      .attachment(`${made.name}.pdf`)
      .send(Buffer.from(made.bytes))
  })
  router.get('/classes/:class/joining', async (request, response) => {
    response.json(await waitingToJoin(db, whoAsks(request).id, idIn(request, 'class')))
  })
  for (const [step, letIn] of [
    ['let-in', true],
    ['not-let-in', false],
  ] as const)
    router.post(`/classes/:class/joining/:join/${step}`, async (request, response) => {
      const [id, join] = [idIn(request, 'class'), idIn(request, 'join')]
      const student = await answerJoin(db, whoAsks(request).id, id, join, letIn, whenJoined)
      if (student) news.trayChanged(student)
      response.status(204).end()
    })
  return router
}

/** What somebody who is not signed in may do: ask to be let in, and look whether they were. */
export function joinRoutes(context: Context): Router {
  const { db, news } = context
  const router = Router()
  const limits = signInLimits(context)
  router.post('/join', async (request, response) => {
    const asked = joinAsked.parse(request.body)
    // Every request counts, and stays counted: asking is for people, not for programs.
    await limits.count(request, 'join')
    const { classId: _class, teacherId, ...standing } = await askToJoin(db, asked)
    news.joinAsked(teacherId)
    response.status(201).json(standing)
  })
  router.get('/join/:join', async (request, response) => {
    response.json(await joinStandingOf(db, idIn(request, 'join')))
  })
  return router
}
