import { CALLS, lessonFor, NOBODYS } from '@hand-back/core'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { copyFor } from '../copies/index.ts'
import { boardBeside, boardToWriteOn, ownHandout } from '../handouts/index.ts'
import { answering } from '../http/answering.ts'
import { handsOf, ownHandUpAt, putHandUp, takeHandDown } from './hands.ts'
import { lessonOf, say } from './lesson.ts'
import { keepSeats, seatsOf } from './seats.ts'

/** A class at work: who asks for the teacher, where they sit, and what is said to them. */
export function roomRoutes(context: Context): Router {
  const { db } = context
  const router = Router()
  answering(router, CALLS.room, async ({ person, ids }) => {
    const { id, namesHidden } = await ownHandout(db, person.id, ids.handout)
    const hands = await handsOf(db, id)
    if (!namesHidden) return { hands, plan: await seatsOf(db, person.id, id) }
    return { hands: hands.map((hand) => ({ ...hand, student: NOBODYS })), plan: null }
  })
  answering(router, CALLS.keepSeats, ({ person, ids, sent }) => keepSeats(db, person.id, ids.handout, sent))
  answering(router, CALLS.hand, async ({ person, ids }) => ({
    upAt: await ownHandUpAt(db, person, ids.copy),
  }))
  answering(router, CALLS.putHandUp, ({ person, ids }) => putHandUp(context, person, ids.copy))
  answering(router, CALLS.takeHandDown, ({ person, ids, sent }) =>
    takeHandDown(context, person, ids.copy, sent.student),
  )
  answering(router, CALLS.lesson, async ({ person, ids }) => {
    await ownHandout(db, person.id, ids.handout)
    return { now: context.now(), lesson: await lessonOf(db, ids.handout) }
  })
  answering(router, CALLS.say, ({ person, ids, sent }) => say(context, person.id, ids.handout, sent))
  answering(router, CALLS.ownLesson, async ({ person, ids }) => {
    const { copy } = await copyFor(db, person, ids.copy)
    return {
      now: context.now(),
      lesson: lessonFor(await lessonOf(db, copy.handoutId), copy.id, person.id),
      board: await boardBeside(db, person.id, copy.handoutId),
      writesAt: await boardToWriteOn(db, person.id),
    }
  })
  return router
}
