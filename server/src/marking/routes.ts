import { answersAsked, CALLS } from '@hand-back/core'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { ownHandout } from '../handouts/index.ts'
import { answering } from '../http/answering.ts'
import { workedOfVersion } from '../worksheets/index.ts'
import { answersOf } from './answers.ts'
import { addQuestions, dropQuestion } from './drawnQuestions.ts'
import { changeHeaps, heapsOf } from './heaps.ts'
import { setRubric } from './rubric.ts'
import { markingOf } from './sums.ts'
import { workOf } from './work.ts'

export function markingRoutes(context: Context): Router {
  const { db, news } = context
  const router = Router()
  answering(router, CALLS.marking, ({ person, ids }) => markingOf(db, person.id, ids.handout))
  answering(router, CALLS.answers, async ({ person, ids, request }) => {
    await ownHandout(db, person.id, ids.handout)
    const { copies } = answersAsked.parse(request.query)
    return answersOf(db, person.id, ids.handout, ids.question, copies)
  })
  answering(router, CALLS.heaps, ({ person, ids }) => heapsOf(db, person.id, ids.handout, ids.question))
  answering(router, CALLS.changeHeaps, (asking) =>
    changeHeaps(context, asking.person.id, asking.ids.handout, asking.ids.question, () => asking.sent),
  )
  answering(router, CALLS.handoutWork, ({ person, ids }) => workOf(db, person.id, ids.handout))
  answering(router, CALLS.addQuestions, async (asking) => {
    const { id } = await ownHandout(db, asking.person.id, asking.ids.handout)
    await addQuestions(db, asking.person.id, id, asking.sent.questions)
    news.handoutChanged(id)
  })
  answering(router, CALLS.dropQuestion, async ({ person, ids }) => {
    await dropQuestion(db, person.id, ids.handout, ids.question)
    news.handoutChanged(ids.handout)
  })
  answering(router, CALLS.setRubric, async (asking) => {
    const { id } = await ownHandout(db, asking.person.id, asking.ids.handout)
    await setRubric(db, asking.person.id, id, asking.sent.rubric)
    news.handoutChanged(id)
  })
  answering(router, CALLS.workedOfHandout, async ({ person, ids }) => {
    const { versionId } = await ownHandout(db, person.id, ids.handout)
    return workedOfVersion(db, versionId)
  })
  return router
}
