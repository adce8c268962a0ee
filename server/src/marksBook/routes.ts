import { CALLS } from '@hand-back/core'
import { Router } from 'express'
import { ownClass } from '../classes/index.ts'
import type { Context } from '../context.ts'
import { answering } from '../http/answering.ts'
import { bookOf } from './book.ts'
import { marksByQuestionOf } from './byQuestion.ts'
import { dropElsewhere, keepElsewhere } from './elsewhere.ts'
import { saidOf } from './said.ts'

/** What a class was given marks for, and what its teachers said of its work. */
export function marksBookRoutes({ db }: Context): Router {
  const router = Router()
  answering(router, CALLS.marksBook, ({ person, ids }) => bookOf(db, person.id, ids.class))
  answering(router, CALLS.keepElsewhere, async (asking) => {
    const { id } = await ownClass(db, asking.person.id, asking.ids.class)
    await keepElsewhere(db, id, asking.ids.elsewhere, asking.sent)
  })
  answering(router, CALLS.dropElsewhere, async ({ person, ids }) => {
    const { id } = await ownClass(db, person.id, ids.class)
    await dropElsewhere(db, id, ids.elsewhere)
  })
  answering(router, CALLS.marksByQuestion, ({ person, ids }) => marksByQuestionOf(db, person.id, ids.handout))
  answering(router, CALLS.saidOfClass, ({ person, ids }) => saidOf(db, person.id, ids.handout))
  return router
}
