import { COPY_FORMATS, type CopyFormatName, type CopyStandingNews, handBackRequest } from '@hand-back/core'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { ownHandout } from '../handouts/index.ts'
import { as, notHere, whoAsks } from '../http/as.ts'
import { idIn } from '../http/ids.ts'
import { MAKERS } from './formats.ts'
import { copyFor } from './place.ts'
import { readWholeLog } from './readLog.ts'
import { stepBy, steps, takeStep, takeStepWithAll } from './standing.ts'
import { wholeCopy } from './whole.ts'

export function copyRoutes(context: Context): Router {
  const { db } = context
  const router = Router()

  router.get('/copies/:copy', as('anybody'), async (request, response) => {
    response.json(await wholeCopy(db, whoAsks(request), idIn(request, 'copy')))
  })

  /** Everything that was ever done to a copy, as far as this person may read it. */
  router.get('/copies/:copy/log', as('anybody'), async (request, response) => {
    const { copy, role } = await copyFor(db, whoAsks(request), idIn(request, 'copy'))
    response.json(await readWholeLog(db, copy, role))
  })

  for (const step of steps) {
    router.post(`/copies/:copy/${step}`, as(stepBy(step)), async (request, response) => {
      const { id, state, round } = await takeStep(context, whoAsks(request), idIn(request, 'copy'), step)
      const standing: CopyStandingNews = { copy: id, state, round }
      response.json(standing)
    })
  }

  router.post('/handouts/:handout/hand-back', as('teacher'), async (request, response) => {
    const teacher = whoAsks(request)
    const { id } = await ownHandout(db, teacher.id, idIn(request, 'handout'))
    const { copies } = handBackRequest.parse(request.body)
    for (const copy of copies) {
      if ((await copyFor(db, teacher, copy)).copy.handoutId !== id) throw notHere()
    }
    response.json({ handedBack: await takeStepWithAll(context, teacher, copies, 'hand-back') })
  })

  for (const format of Object.keys(COPY_FORMATS) as CopyFormatName[]) {
    const { who, type, ending } = COPY_FORMATS[format]
    router.get(`/copies/:copy/${format}`, as(who), async (request, response) => {
      const [person, copy] = [whoAsks(request), idIn(request, 'copy')]
      const { name, bytes } = await MAKERS[format](context, person, copy)
      context.log.info({ request: request.id, person: person.id, copy, format }, 'copy taken away')
      response
        .set('Content-Type', type)
        .attachment(`${name}.${ending}`)
        .send(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength))
    })
  }

  return router
}
