import { CALLS, COPY_FORMATS, type CopyFormatName } from '@hand-back/core'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { ownHandout } from '../handouts/index.ts'
import { answering } from '../http/answering.ts'
import { as, notHere, whoAsks } from '../http/as.ts'
import { idIn } from '../http/ids.ts'
import { MAKERS } from './formats.ts'
import { copyFor } from './place.ts'
import { readWholeLog } from './readLog.ts'
import { steps, takeStep, takeStepWithAll } from './standing.ts'
import { wholeCopy } from './whole.ts'

export function copyRoutes(context: Context): Router {
  const { db } = context
  const router = Router()

  answering(router, CALLS.copy, ({ person, ids }) => wholeCopy(db, person, ids.copy))

  /** Everything that was ever done to a copy, as far as this person may read it. */
  answering(router, CALLS.log, async ({ person, ids }) => {
    const { copy, role } = await copyFor(db, person, ids.copy)
    return readWholeLog(db, copy, role)
  })

  for (const step of steps)
    answering(router, CALLS[step], async ({ person, ids }) => {
      const { id, state, round } = await takeStep(context, person, ids.copy, step)
      return { copy: id, state, round }
    })

  answering(router, CALLS.handBackMany, async (asking) => {
    const { person, ids } = asking
    const { id } = await ownHandout(db, person.id, ids.handout)
    const { copies } = asking.sent
    for (const copy of copies) {
      if ((await copyFor(db, person, copy)).copy.handoutId !== id) throw notHere()
    }
    return { handedBack: await takeStepWithAll(context, person, copies, 'handBack') }
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
