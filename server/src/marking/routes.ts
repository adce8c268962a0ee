import { CALLS } from '@hand-back/core'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { answering } from '../http/answering.ts'
import { markingOf } from './sums.ts'
import { workOf } from './work.ts'

export function markingRoutes({ db }: Context): Router {
  const router = Router()
  answering(router, CALLS.marking, ({ person, ids }) => markingOf(db, person.id, ids.handout))
  answering(router, CALLS.handoutWork, ({ person, ids }) => workOf(db, person.id, ids.handout))
  return router
}
