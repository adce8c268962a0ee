import {
  classSignIn,
  type Door,
  demoSignIn,
  firstTeacher,
  type Person,
  passwordChange,
  Refused,
  type SlipOwner,
  slipSignIn,
  studentSignIn,
  teacherSignIn,
} from '@hand-back/core'
import { type Request, type Response, Router } from 'express'
import type { Context } from '../context.ts'
import { as, notHere, whoAsks } from '../http/as.ts'
import { knownDevice, rememberDevice } from './device.ts'
import { signInLimits } from './limits.ts'
import {
  changePassword,
  classByCode,
  demoPeople,
  findPerson,
  foldName,
  isFirstVisit,
  type Known,
  makeFirstTeacher,
  studentBy,
  studentBySlip,
  teacherBy,
} from './queries.ts'
import { isCode } from './secrets.ts'
import { afterAnswer, endSessions, signIn, signOut } from './session.ts'

export function peopleRoutes(context: Context): Router {
  const { db } = context
  const router = Router()
  const limits = signInLimits(context)

  async function welcome(request: Request, response: Response, person: Known) {
    await signIn(context, request, person)
    rememberDevice(request, response, context.secret)
    const { id, name, role } = person
    context.log.info({ request: request.id, person: id, role }, 'signed in')
    response.json({ id, name, role } satisfies Person)
  }

  /** Signs in whom `find` finds; a try is counted before it is judged, and given back when it was right. */
  async function limited(
    request: Request,
    response: Response,
    account: string,
    wrong: string,
    find: (known: boolean) => Promise<Known | undefined>,
  ) {
    const giveBack = await limits.count(request, 'account', account)
    const person = await find(knownDevice(request, context.secret) !== undefined)
    if (!person) throw new Refused(wrong, 401)
    await giveBack()
    await welcome(request, response, person)
  }

  router.get('/door', async (_request, response) => {
    const door: Door = {
      firstVisit: await isFirstVisit(db),
      setupCode: context.setupCode !== undefined,
      demo: context.demo ? await demoPeople(db) : null,
    }
    response.json(door)
  })

  router.post('/first-teacher', async (request, response) => {
    const { name, password, setupCode = '' } = firstTeacher.parse(request.body)
    const giveBack = await limits.count(request, 'account', 'first teacher')
    if (context.setupCode !== undefined && !isCode(setupCode, context.setupCode))
      throw new Refused('That is not the setup code. It stands where Hand Back was started.', 403)
    await giveBack()
    await welcome(request, response, await makeFirstTeacher(db, name, password))
  })

  router.post('/sign-in/teacher', async (request, response) => {
    const { name, password } = teacherSignIn.parse(request.body)
    await limited(
      request,
      response,
      `teacher ${foldName(name)}`,
      'That name and password do not go together.',
      (known) => teacherBy(db, name, password, known),
    )
  })

  router.post('/sign-in/class', async (request, response) => {
    const { code } = classSignIn.parse(request.body)
    const giveBack = await limits.count(request, 'code')
    const found = await classByCode(db, code)
    if (!found) throw new Refused('No class has that code. Look at it again, or ask your teacher.', 404)
    await giveBack()
    response.json(found)
  })

  router.post('/sign-in/student', async (request, response) => {
    const { code, student, pin } = studentSignIn.parse(request.body)
    await limited(
      request,
      response,
      `student ${student}`,
      'That is not the PIN. Try again, or ask your teacher.',
      (known) => studentBy(db, code, student, pin, known),
    )
  })

  // A token of 160 bits cannot be guessed: tries are not counted, so that old slips lock nobody out.
  const bySlip = async (request: Request) => {
    const person = await studentBySlip(db, slipSignIn.parse(request.body).token)
    if (!person)
      throw new Refused('This slip does not sign in any more. Ask your teacher for a new one.', 401)
    return person
  }
  /** Whose a slip is, before it changes who is signed in. */
  router.post('/sign-in/slip/whose', async (request, response) => {
    response.json({ name: (await bySlip(request)).name } satisfies SlipOwner)
  })
  router.post('/sign-in/slip', async (request, response) => {
    await welcome(request, response, await bySlip(request))
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
    context.log.info({ request: request.id, person: whoAsks(request).id }, 'signed out')
    await signOut(request, response)
    response.status(204).end()
  })

  /** Ends every session of this person, on every device, this one too. */
  router.post('/sign-out/everywhere', as('anybody'), async (request, response) => {
    const { id } = whoAsks(request)
    context.log.info({ request: request.id, person: id }, 'signed out everywhere')
    await endSessions(context, [id])
    await signOut(request, response)
    response.status(204).end()
  })

  /** Another password for oneself; every other session ends. */
  router.post('/password', as('teacher'), async (request, response) => {
    const { id } = whoAsks(request)
    const { now, to } = passwordChange.parse(request.body)
    const giveBack = await limits.count(request, 'account', `password ${id}`)
    const changed = await changePassword(db, id, now, to)
    await giveBack()
    afterAnswer(request, () => context.news.personSignedOut(id))
    await welcome(request, response, changed)
  })

  return router
}
