import { addStudents, newClass, newGrouping, renameStudent } from '@hand-back/core'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { as, whoAsks } from '../http/as.ts'
import { idIn } from '../http/ids.ts'
import { dropGrouping, groupingsOf, keepGrouping } from './groupings.ts'
import {
  addStudentsTo,
  classesOf,
  makeClass,
  removeStudent,
  renameClass,
  renameStudentOf,
  renewPin,
  type WhenJoined,
  wholeClass,
} from './queries.ts'

export function classRoutes({ db, now, news }: Context, whenJoined: WhenJoined): Router {
  const router = Router()
  router.use('/classes', as('teacher'))

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
    for (const student of made) news.trayChanged(student.id)
    response.status(201).json(made)
  })
  router.patch('/classes/:class/students/:student', async (request, response) => {
    const { name } = renameStudent.parse(request.body)
    await renameStudentOf(db, whoAsks(request).id, idIn(request, 'class'), idIn(request, 'student'), name)
    response.status(204).end()
  })
  router.delete('/classes/:class/students/:student', async (request, response) => {
    await removeStudent(db, whoAsks(request).id, idIn(request, 'class'), idIn(request, 'student'), now())
    response.status(204).end()
  })
  router.post('/classes/:class/students/:student/pin', async (request, response) => {
    response.json(await renewPin(db, whoAsks(request).id, idIn(request, 'class'), idIn(request, 'student')))
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
  return router
}
