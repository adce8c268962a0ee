import { newHandout } from '@hand-back/core'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { as, whoAsks } from '../http/as.ts'
import { idIn } from '../http/ids.ts'
import { handOut, handoutsOf, trayOf, wholeHandout } from './queries.ts'

export function handoutRoutes({ db, news }: Context): Router {
  const router = Router()
  router.get('/tray', as('student'), async (request, response) => {
    response.json(await trayOf(db, whoAsks(request).id))
  })

  router.use('/handouts', as('teacher'))
  router.get('/handouts', async (request, response) => {
    response.json(await handoutsOf(db, whoAsks(request).id))
  })
  router.post('/handouts', async (request, response) => {
    const { id, students } = await handOut(db, whoAsks(request).id, newHandout.parse(request.body))
    for (const student of students) news.trayChanged(student)
    response.status(201).json({ id })
  })
  router.get('/handouts/:handout', async (request, response) => {
    response.json(await wholeHandout(db, whoAsks(request).id, idIn(request, 'handout')))
  })
  return router
}
