import { CALLS, type Person, Refused } from '@hand-back/core'
import { type Request, type Response, Router } from 'express'
import type { Context } from '../context.ts'
import { afterAnswer, answering } from '../http/answering.ts'
import { notHere, whoAsks } from '../http/as.ts'
import { knownDevice, rememberDevice } from './device.ts'
import { invitationOf, makeColleague, takeInvitation } from './invitations.ts'
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
import { endSessions, signIn, signOut } from './session.ts'

/** A request at the door, and its answer. */
interface AtDoor {
  readonly request: Request
  readonly response: Response
}

export function peopleRoutes(context: Context): Router {
  const { db } = context
  const router = Router()
  const limits = signInLimits(context)

  async function welcome({ request, response }: AtDoor, known: Known): Promise<Person> {
    await signIn(context, request, known)
    rememberDevice(request, response, context.secret)
    const { id, name, role } = known
    context.log.info({ request: request.id, person: id, role }, 'signed in')
    return { id, name, role }
  }

  /** Signs in whom `find` finds; a try is counted before it is judged, and given back when it was right. */
  async function limited(
    at: AtDoor,
    account: string,
    wrong: string,
    find: (known: boolean) => Promise<Known | undefined>,
  ): Promise<Person> {
    const giveBack = await limits.count(at.request, 'account', account)
    const found = await find(knownDevice(at.request, context.secret) !== undefined)
    if (!found) throw new Refused(wrong, 401)
    await giveBack()
    return welcome(at, found)
  }

  answering(router, CALLS.door, async () => ({
    firstVisit: await isFirstVisit(db),
    setupCode: context.setupCode !== undefined,
    demo: context.demo ? await demoPeople(db) : null,
  }))

  answering(router, CALLS.firstTeacher, async ({ sent: { name, password, setupCode = '' }, ...at }) => {
    const giveBack = await limits.count(at.request, 'account', 'first teacher')
    if (context.setupCode !== undefined && !isCode(setupCode, context.setupCode))
      throw new Refused('That is not the setup code. It stands where Hand Back was started.', 403)
    await giveBack()
    return welcome(at, await makeFirstTeacher(db, name, password))
  })

  // A token of 160 bits cannot be guessed: tries are not counted.
  answering(router, CALLS.invitationOf, ({ sent: { token } }) => invitationOf(db, token, context.now()))
  answering(router, CALLS.newColleague, async ({ sent, ...at }) =>
    welcome(at, await makeColleague(db, sent, context.now())),
  )
  answering(router, CALLS.takeInvitation, async ({ person, sent: { token } }) => ({
    class: await takeInvitation(db, token, person.id, context.now()),
  }))

  answering(router, CALLS.signInTeacher, ({ sent: { name, password }, ...at }) =>
    limited(at, `teacher ${foldName(name)}`, 'That name and password do not go together.', (known) =>
      teacherBy(db, name, password, known),
    ),
  )

  answering(router, CALLS.signInClass, async ({ sent: { code }, request }) => {
    const giveBack = await limits.count(request, 'code')
    const found = await classByCode(db, code)
    if (!found) throw new Refused('No class has that code. Look at it again, or ask your teacher.', 404)
    await giveBack()
    return found
  })

  answering(router, CALLS.signInStudent, ({ sent: { code, student, pin }, ...at }) =>
    limited(at, `student ${student}`, 'That is not the PIN. Try again, or ask your teacher.', (known) =>
      studentBy(db, code, student, pin, known),
    ),
  )

  // A token of 160 bits cannot be guessed: tries are not counted, so that old slips lock nobody out.
  const bySlip = async (token: string) => {
    const found = await studentBySlip(db, token)
    if (!found) throw new Refused('This slip does not sign in any more. Ask your teacher for a new one.', 401)
    return found
  }
  /** Whose a slip is, before it changes who is signed in. */
  answering(router, CALLS.slipOwner, async ({ sent }) => ({ name: (await bySlip(sent.token)).name }))
  answering(router, CALLS.signInSlip, async ({ sent, ...at }) => welcome(at, await bySlip(sent.token)))

  answering(router, CALLS.signInDemo, async (asking) => {
    if (!context.demo) throw notHere()
    const found = await findPerson(db, asking.sent.person)
    if (!found) throw notHere()
    return welcome(asking, found)
  })

  /** Who is signed in here: nobody is an answer too. */
  answering(router, CALLS.me, ({ request }) => whoAsks(request) ?? null)

  answering(router, CALLS.signOut, async ({ person, request, response }) => {
    context.news.signedOut(request.sessionID)
    context.log.info({ request: request.id, person: person.id }, 'signed out')
    await signOut(request, response)
  })

  /** Ends every session of this person, on every device, this one too. */
  answering(router, CALLS.signOutEverywhere, async ({ person: { id }, request, response }) => {
    context.log.info({ request: request.id, person: id }, 'signed out everywhere')
    await endSessions(context, [id])
    await signOut(request, response)
  })

  /** Another password for oneself; every other session ends. */
  answering(router, CALLS.changePassword, async ({ person: { id }, sent: { now, to }, ...at }) => {
    const giveBack = await limits.count(at.request, 'account', `password ${id}`)
    const changed = await changePassword(db, id, now, to)
    await giveBack()
    afterAnswer(at.request, () => context.news.personSignedOut(id))
    return welcome(at, changed)
  })

  return router
}
