import { copySet, handoutChange, moreStudents, newHandout, pageOwners } from '@hand-back/core'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { sendSound } from '../files/index.ts'
import { as, whoAsks } from '../http/as.ts'
import { idIn } from '../http/ids.ts'
import { makeAhead } from '../papers/index.ts'
import { handOut } from './handOut.ts'
import {
  changeHandout,
  changeSet,
  copiesOf,
  givePages,
  giveToMore,
  membersOf,
  sendChanges,
  waitingChanges,
} from './inUse.ts'
import { handoutsOf, trayOf, wholeHandout } from './queries.ts'
import { keepSpoken, spokenFor } from './spoken.ts'

export function handoutRoutes(context: Context): Router {
  const { db, news } = context
  const router = Router()
  const tell = (students: readonly string[]) => {
    for (const student of students) news.trayChanged(student)
  }

  router.get('/tray', as('student'), async (request, response) => {
    response.json(await trayOf(db, whoAsks(request).id))
  })
  router.put('/spoken/:spoken', as('teacher'), async (request, response) => {
    await keepSpoken(db, whoAsks(request).id, idIn(request, 'spoken'), request)
    response.status(204).end()
  })
  router.get('/spoken/:spoken', as('anybody'), async (request, response) => {
    await sendSound(db, request, response, await spokenFor(db, whoAsks(request), idIn(request, 'spoken')))
  })

  router.use('/handouts', as('teacher'))
  router.get('/handouts', async (request, response) => {
    response.json(await handoutsOf(db, whoAsks(request).id))
  })
  router.post('/handouts', async (request, response) => {
    const { id: teacher } = whoAsks(request)
    const { handouts, students } = await handOut(db, teacher, newHandout.parse(request.body))
    tell(students)
    response.status(201).json({ handouts })
    void makeAhead(context, teacher, handouts)
  })
  router.get('/handouts/:handout', async (request, response) => {
    response.json(await wholeHandout(db, whoAsks(request).id, idIn(request, 'handout')))
  })
  router.patch('/handouts/:handout', async (request, response) => {
    const change = handoutChange.parse(request.body)
    const id = idIn(request, 'handout')
    tell(await changeHandout(db, whoAsks(request).id, id, change))
    if (change.withdrawn || change.opensAt) news.closedTo(await copiesOf(db, id))
    news.handoutChanged(id)
    response.status(204).end()
  })
  router.get('/handouts/:handout/changes', async (request, response) => {
    response.json(await waitingChanges(db, whoAsks(request).id, idIn(request, 'handout')))
  })
  router.post('/handouts/:handout/changes', async (request, response) => {
    const id = idIn(request, 'handout')
    const { id: teacher } = whoAsks(request)
    tell(await sendChanges(db, teacher, id))
    news.handoutChanged(id)
    response.status(204).end()
    void makeAhead(context, teacher, [id])
  })
  router.post('/handouts/:handout/students', async (request, response) => {
    const { students, copy } = moreStudents.parse(request.body)
    const id = idIn(request, 'handout')
    const left = await giveToMore(db, whoAsks(request).id, id, students, copy)
    for (const place of left) news.closedTo([place.copy], place.student)
    tell(await membersOf(db, id))
    news.handoutChanged(id)
    response.status(204).end()
  })
  router.put('/copies/:copy/owners', as('teacher'), async (request, response) => {
    const owners = pageOwners.parse(request.body)
    const { handout } = await givePages(db, whoAsks(request).id, idIn(request, 'copy'), owners)
    news.handoutChanged(handout)
    response.status(204).end()
  })
  router.put('/copies/:copy/set', as('teacher'), async (request, response) => {
    const { set } = copySet.parse(request.body)
    const { handout, students } = await changeSet(db, whoAsks(request).id, idIn(request, 'copy'), set)
    tell(students)
    news.handoutChanged(handout)
    response.status(204).end()
  })
  return router
}
