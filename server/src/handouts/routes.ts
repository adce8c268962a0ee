import { CALLS } from '@hand-back/core'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { sendSound } from '../files/index.ts'
import { afterAnswer, answering, streamed } from '../http/answering.ts'
import { makeAhead } from '../papers/index.ts'
import { handOut } from './handOut.ts'
import {
  changeCopy,
  changeHandout,
  changeSet,
  copiesOf,
  giveToMore,
  leaveCopy,
  membersOf,
  sendChanges,
  waitingChanges,
} from './inUse.ts'
import { openBoard, samePagesAs } from './openBoard.ts'
import { givePages, giveParts } from './pagesGiven.ts'
import { handoutsOf, wholeHandout } from './queries.ts'
import { keepSpoken, spokenFor } from './spoken.ts'

export function handoutRoutes(context: Context): Router {
  const { db, news } = context
  const router = Router()
  const tell = (students: readonly string[]) => {
    for (const student of students) news.trayChanged(student)
  }
  /** What is written at the front is seen on copies of the same pages: those who have them ask what there is. */
  const tellOfFront = async (handout: string) => {
    for (const same of await samePagesAs(db, handout)) news.lessonChanged(same)
  }

  streamed(router, CALLS.keepSpoken, async ({ person, ids, request, response }) => {
    await keepSpoken(db, person.id, ids.spoken, request)
    response.status(204).end()
  })
  streamed(router, CALLS.spoken, async ({ person, ids, request, response }) => {
    await sendSound(db, request, response, await spokenFor(db, person, ids.spoken))
  })

  answering(router, CALLS.handouts, ({ person }) => handoutsOf(db, person.id))
  answering(router, CALLS.handOut, async ({ person, sent, request }) => {
    const { handouts, students } = await handOut(db, person.id, sent)
    tell(students)
    afterAnswer(request, () => void makeAhead(context, person.id, handouts))
    return { handouts }
  })
  answering(router, CALLS.handout, ({ person, ids }) => wholeHandout(db, person.id, ids.handout))
  answering(router, CALLS.changeHandout, async ({ person, ids, sent }) => {
    const students = await changeHandout(db, person.id, ids.handout, sent)
    tell(students)
    if (sent.withdrawn || sent.opensAt) news.closedTo(await copiesOf(db, ids.handout))
    if (students.length > 0) news.handoutChanged(ids.handout)
    else news.handoutSeenAnew(ids.handout)
    if (sent.withdrawn !== undefined) await tellOfFront(ids.handout)
  })
  answering(router, CALLS.handoutChanges, ({ person, ids }) => waitingChanges(db, person.id, ids.handout))
  answering(router, CALLS.sendChanges, async ({ person, ids, request }) => {
    tell(await sendChanges(db, person.id, ids.handout))
    news.handoutChanged(ids.handout)
    afterAnswer(request, () => void makeAhead(context, person.id, [ids.handout]))
  })
  answering(router, CALLS.giveToMore, async ({ person, ids, sent: { students, copy } }) => {
    const left = await giveToMore(db, person.id, ids.handout, students, copy)
    for (const place of left) news.closedTo([place.copy], place.student)
    tell(await membersOf(db, ids.handout))
    news.handoutChanged(ids.handout)
    await tellOfFront(ids.handout)
  })
  answering(router, CALLS.openBoard, async ({ person, sent, request }) => {
    const opened = await openBoard(db, person.id, sent)
    afterAnswer(request, () => void makeAhead(context, person.id, [opened.handout]))
    return opened
  })
  answering(router, CALLS.givePages, async ({ person, ids, sent }) => {
    const { handout } = await givePages(db, person.id, ids.copy, sent)
    news.handoutChanged(handout)
  })
  answering(router, CALLS.giveParts, async ({ person, ids, sent }) => {
    const { handout } = await giveParts(db, person.id, ids.copy, sent)
    news.handoutChanged(handout)
  })
  answering(router, CALLS.changeCopy, async ({ person, ids, sent }) => {
    const { handout, students } = await changeCopy(db, person.id, ids.copy, sent)
    tell(students)
    if (sent.withdrawn) news.closedTo([ids.copy])
    if (sent.withdrawn !== undefined) await tellOfFront(handout)
    if (students.length > 0) news.handoutChanged(handout)
    else news.rowChanged({ id: ids.copy, handoutId: handout })
  })
  answering(router, CALLS.leaveCopy, async ({ person, ids }) => {
    const { handout } = await leaveCopy(db, person.id, ids.copy, ids.student)
    news.closedTo([ids.copy], ids.student)
    tell([ids.student])
    news.handoutChanged(handout)
  })
  answering(router, CALLS.changeSet, async ({ person, ids, sent }) => {
    const { handout, students } = await changeSet(db, person.id, ids.copy, sent.set)
    tell(students)
    news.handoutChanged(handout)
  })
  return router
}
