import { CALLS } from '@hand-back/core'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { ownHandout, trayOf } from '../handouts/index.ts'
import { answering } from '../http/answering.ts'
import { standingOf } from '../news.ts'
import { cameBackOn } from './cameBack.ts'
import { giveMarks, handBackMany } from './handBack.ts'
import { meanwhileIn } from './meanwhile.ts'
import { copyFor } from './place.ts'
import { readWholeLog } from './readLog.ts'
import { steps, takeStep } from './standing.ts'
import { wholeCopy } from './whole.ts'

export function copyRoutes(context: Context): Router {
  const { db } = context
  const router = Router()

  answering(router, CALLS.tray, async ({ person }) => {
    const tray = await trayOf(db, person.id)
    const back = await cameBackOn(db, tray)
    return tray.map((entry) => ({ ...entry, back: back.get(entry.copy) ?? null }))
  })
  answering(router, CALLS.meanwhile, ({ person, ids }) => meanwhileIn(db, person, ids.copy))
  answering(router, CALLS.copy, ({ person, ids }) => wholeCopy(db, person, ids.copy))

  /** Everything that was ever done to a copy, as far as this person may read it. */
  answering(router, CALLS.log, async ({ person, ids }) => {
    const { copy, role } = await copyFor(db, person, ids.copy)
    return readWholeLog(db, copy, role)
  })

  for (const step of steps)
    answering(router, CALLS[step], async ({ person, ids }) =>
      standingOf(await takeStep(context, person, ids.copy, step)),
    )

  answering(router, CALLS.handBackMany, async (asking) => {
    const { person, ids } = asking
    const { id } = await ownHandout(db, person.id, ids.handout)
    return { handedBack: await handBackMany(context, person, id, asking.sent) }
  })
  answering(router, CALLS.giveMarks, async (asking) => {
    const { person, ids } = asking
    const { id } = await ownHandout(db, person.id, ids.handout)
    await giveMarks(context, person, id, asking.sent.copies)
  })

  return router
}
