import {
  classSignIn,
  type Door,
  demoSignIn,
  firstTeacher,
  type Person,
  Refused,
  slipSignIn,
  studentSignIn,
  teacherSignIn,
} from '@hand-back/core'
import { type Request, type Response, Router } from 'express'
import type { Context } from '../context.ts'
import { as, notHere, whoAsks } from '../http/as.ts'
import { signInLimits } from './limits.ts'
import {
  classByCode,
  demoPeople,
  findPerson,
  isFirstVisit,
  makeFirstTeacher,
  studentBy,
  studentBySlip,
  teacherBy,
} from './queries.ts'
import { signIn, signOut } from './session.ts'

export function peopleRoutes(context: Context): Router {
  const { db } = context
  const router = Router()
  const limits = signInLimits(context)

  async function welcome(request: Request, response: Response, person: Person) {
    await signIn(request, person)
    response.json(person)
  }

  /** Signs in whom `find` finds; counts a miss against the account and the address. */
  async function limited(
    request: Request,
    response: Response,
    account: string,
    wrong: string,
    find: () => Promise<Person | undefined>,
  ) {
    const address = request.ip ?? ''
    await limits.account.check(account)
    await limits.address.check(address)
    const person = await find()
    if (!person) {
      await Promise.all([limits.account.failed(account), limits.address.failed(address)])
      throw new Refused(wrong, 401)
    }
    await welcome(request, response, person)
  }

  router.get('/door', async (_request, response) => {
    const door: Door = {
      firstVisit: await isFirstVisit(db),
      demo: context.demo ? await demoPeople(db) : null,
    }
    response.json(door)
  })

  router.post('/first-teacher', async (request, response) => {
    const { name, password } = firstTeacher.parse(request.body)
    await welcome(request, response, await makeFirstTeacher(db, name, password))
  })

  router.post('/sign-in/teacher', async (request, response) => {
    const { name, password } = teacherSignIn.parse(request.body)
    await limited(
      request,
      response,
      `teacher ${name.toLowerCase()}`,
      'That name and password do not go together.',
      () => teacherBy(db, name, password),
    )
  })

  router.post('/sign-in/class', async (request, response) => {
    const { code } = classSignIn.parse(request.body)
    await limits.address.check(request.ip ?? '')
    const found = await classByCode(db, code)
    if (!found) {
      await limits.address.failed(request.ip ?? '')
      throw new Refused('No class has that code. Look at it again, or ask your teacher.', 404)
    }
    response.json(found)
  })

  router.post('/sign-in/student', async (request, response) => {
    const { code, student, pin } = studentSignIn.parse(request.body)
    await limited(
      request,
      response,
      `student ${student}`,
      'That is not the PIN. Try again, or ask your teacher.',
      () => studentBy(db, code, student, pin),
    )
  })

  router.post('/sign-in/slip', async (request, response) => {
    const { token } = slipSignIn.parse(request.body)
    await limited(
      request,
      response,
      `slip ${request.ip}`,
      'This slip does not sign in any more. Ask your teacher for a new one.',
      () => studentBySlip(db, token),
    )
  })

  router.post('/sign-in/demo', async (request, response) => {
    if (!context.demo) throw notHere()
    const person = await findPerson(db, demoSignIn.parse(request.body).person)
    if (!person) throw notHere()
    await welcome(request, response, person)
  })

  /** Who is signed in here: nobody is an answer too. */
  router.get('/me', (request, response) => {
    response.json(whoAsks(request) ?? null)
  })

  router.post('/sign-out', as('anybody'), async (request, response) => {
    context.news.signedOut(request.sessionID)
    await signOut(request, response)
    response.status(204).end()
  })

  return router
}
