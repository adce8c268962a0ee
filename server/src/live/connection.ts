import type { DeviceMessages, ServerMessages } from '@hand-back/core'
import { followRequest, keepRequest, MOST_MESSAGE_BYTES, type Person, watchRequest } from '@hand-back/core'
import type { Request } from 'express'
import type { Socket } from 'socket.io'
import type { Context } from '../context.ts'
import { copyFor, type Keeper, readLog } from '../copies/index.ts'
import { ownHandout } from '../handouts/index.ts'
import { notHere } from '../http/as.ts'
import { asRefused } from '../http/errors.ts'
import { personOf } from '../people/index.ts'
import { type Live, rooms } from './news.ts'

/** Settings of the live server that a test may rely on. */
export const liveSettings = {
  path: '/live',
  maxHttpBufferSize: MOST_MESSAGE_BYTES,
  // A tablet whose Wi-Fi vanished is noticed within half a minute.
  pingInterval: 10_000,
  pingTimeout: 15_000,
  serveClient: false,
} as const

/** The most live messages a device may send in ten seconds: far above what a hand and its catching-up need. */
const MOST_MESSAGES = 400

type Device = Socket<DeviceMessages, ServerMessages>

/** Answers the live messages of every device. Whoever is not signed in is not connected at all. */
export function answerDevices(live: Live, context: Context, keeper: Keeper): void {
  live.use(async (socket, next) => {
    try {
      const person = await personOf(context, socket.request)
      if (!person) return next(new Error('sign in first'))
      socket.data.person = person
      next()
    } catch (error) {
      context.log.warn({ error }, 'handshake failed')
      next(new Error('try again'))
    }
  })
  live.on('connection', (device: Device) => answerDevice(device, context, keeper))
}

function answerDevice(device: Device, context: Context, keeper: Keeper): void {
  const { db } = context
  const person = device.data.person as Person
  void device.join([rooms.person(person.id), rooms.session((device.request as Request).sessionID)])
  limitMessages(device)

  device.on('follow', (request, answer) =>
    answering(context, answer, async () => {
      const { copy: id, readTo } = followRequest.parse(request)
      const { role } = await copyFor(db, person, id)
      // Joined before the log is read: what is kept between is told twice rather than never.
      await device.join(rooms.copy(id, role))
      const { copy } = await copyFor(db, person, id)
      await device.join(rooms.audience(copy.handoutId))
      const { events, more } = await readLog(db, copy, role, readTo)
      return { ok: true, events, more, standing: { copy: id, state: copy.state, round: copy.round } }
    }),
  )

  device.on('unfollow', (copy) => {
    if (typeof copy !== 'string') return
    void device.leave(rooms.copy(copy, person.role))
  })

  device.on('keep', (request, answer) =>
    answering(context, answer, async () => {
      const { copy, events } = keepRequest.parse(request)
      return { ok: true, fates: await keeper.keep(person, copy, events) }
    }),
  )

  device.on('watch', (request, answer) =>
    answering(context, answer, async () => {
      const { handout } = watchRequest.parse(request)
      if (person.role !== 'teacher') throw notHere()
      await ownHandout(db, person.id, handout)
      await device.join(rooms.handout(handout))
      return { ok: true }
    }),
  )
}

type Failure = { ok: false; why: string; gone: boolean }

async function answering<A extends { ok: boolean }>(
  context: Context,
  answer: (answer: A | Failure) => void,
  work: () => Promise<NoInfer<Exclude<A, { ok: false }>>>,
): Promise<void> {
  // A device that sends no callback gets no answer, and cannot make the server fail.
  const reply = typeof answer === 'function' ? answer : () => {}
  try {
    reply(await work())
  } catch (error) {
    const refused = asRefused(error)
    if (refused.status >= 500) context.log.warn({ error }, 'live message failed')
    reply({ ok: false, why: refused.message, gone: refused.status < 500 })
  }
}

function limitMessages(device: Device): void {
  let count = 0
  let since = Date.now()
  device.use((_message, next) => {
    const now = Date.now()
    if (now - since > 10_000) {
      since = now
      count = 0
    }
    if (++count > MOST_MESSAGES) device.disconnect(true)
    else next()
  })
}
