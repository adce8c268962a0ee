import { CALLS } from '@hand-back/core'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { answering } from '../http/answering.ts'
import { changeRemark, countUse, keepRemarks, remarksOf } from './remarks.ts'
import { dropRubric, keepRubric, rubricsOf } from './rubrics.ts'

export { remarksOf } from './remarks.ts'

/** A teacher's own remarks and rubrics: nobody else sees, changes or counts them. */
export function remarkRoutes({ db }: Context): Router {
  const router = Router()
  answering(router, CALLS.remarks, ({ person }) => remarksOf(db, person.id))
  answering(router, CALLS.keepRemarks, ({ person, sent }) => keepRemarks(db, person.id, sent.remarks))
  answering(router, CALLS.changeRemark, ({ person, ids, sent }) =>
    changeRemark(db, person.id, ids.remark, sent),
  )
  answering(router, CALLS.remarkUsed, ({ person, ids, sent }) =>
    countUse(db, person.id, ids.remark, sent.question),
  )
  answering(router, CALLS.rubrics, ({ person }) => rubricsOf(db, person.id))
  answering(router, CALLS.keepRubric, ({ person, ids, sent }) => keepRubric(db, person.id, ids.rubric, sent))
  answering(router, CALLS.dropRubric, ({ person, ids }) => dropRubric(db, person.id, ids.rubric))
  return router
}
