import type { DeviceMessages, ServerMessages } from '@hand-back/core'
import {
  type EventFate,
  followRequest,
  keepRequest,
  MOST_MESSAGE_BYTES,
  type PageEvent,
  type Person,
  pageEvent,
  Refused,
  watchRequest,
} from '@hand-back/core'
import type { Request } from 'express'
import type { Socket } from 'socket.io'
import { z } from 'zod'
import type { Context } from '../context.ts'
import { copyFor, type Keeper, noteLeaving, readLog } from '../copies/index.ts'
import { ownHandout } from '../handouts/index.ts'
import { Allowance } from '../http/allowance.ts'
import { notHere } from '../http/as.ts'
import { asRefused, causeOf } from '../http/errors.ts'
import { standingOf } from '../news.ts'
import { lastingSessions, personOf } from '../people/index.ts'
import { type Live, rooms } from './news.ts'
import { Whereabouts } from './whereabouts.ts'

/** Settings of the live server that a test may rely on. */
export const liveSettings = {
  path: '/live',
  maxHttpBufferSize: MOST_MESSAGE_BYTES,
  // A tablet whose Wi-Fi vanished is noticed within half a minute.
  pingInterval: 10_000,
  pingTimeout: 15_000,
  serveClient: false,
} as const

/** What a person may send and have open, all their devices and tabs together: far above what hands and catching up need. */
const messages = new Allowance(600, 10_000)
const kept = new Allowance(20_000, 10_000)
const MOST_CONNECTIONS = 20
/** How often it is looked whether sessions of live connections still last, in milliseconds. */
const LOOKS_EVERY = 30_000

type Device = Socket<DeviceMessages, ServerMessages>

/** Answers the live messages of every device. Whoever is not signed in is not connected at all. */
export function answerDevices(live: Live, context: Context, keeper: Keeper): void {
  live.use(async (socket, next) => {
    try {
      const person = await personOf(context, socket.request)
      if (!person) return next(new Error('sign in first'))
      // A tab says whose it is: somebody else may have signed in since, in another tab.
      const { person: believed } = socket.handshake.auth as { person?: unknown }
      if (believed !== undefined && believed !== person.id) return next(new Error('sign in first'))
      if (connectionsOf(live, person.id) >= MOST_CONNECTIONS) return next(new Error('too many'))
      socket.data.person = person
      next()
    } catch (error) {
      context.log.warn({ cause: causeOf(error) }, 'handshake failed')
      next(new Error('try again'))
    }
  })
  live.on('connection', (device: Device) => answerDevice(live, device, context, keeper))
  endWithSessions(live, context)
}

const connectionsOf = (live: Live, person: string): number =>
  live.sockets.adapter.rooms.get(rooms.person(person))?.size ?? 0

/** A live connection ends with its session, however that ended. */
function endWithSessions(live: Live, context: Context): void {
  const timer = setInterval(async () => {
    const devices = [...live.sockets.sockets.values()]
    if (devices.length === 0) return
    const idOf = (device: Device) => (device.request as Request).sessionID
    try {
      const lasting = await lastingSessions(context, devices.map(idOf))
      for (const device of devices) if (!lasting.has(idOf(device))) device.disconnect(true)
    } catch (error) {
      context.log.warn({ cause: causeOf(error) }, 'sessions not looked at')
    }
  }, LOOKS_EVERY)
  timer.unref()
  live.engine.once('close', () => clearInterval(timer))
}

function answerDevice(live: Live, device: Device, context: Context, keeper: Keeper): void {
  const { db } = context
  const person = device.data.person as Person
  void device.join([rooms.person(person.id), rooms.session((device.request as Request).sessionID)])
  limitMessages(device, person.id)
  const whereabouts = new Whereabouts(live, device, (copy) => {
    if (person.role !== 'student') return
    noteLeaving(db, person.id, copy).catch((error) =>
      context.log.warn({ cause: causeOf(error) }, 'leaving not noted'),
    )
  })

  device.on('follow', (request, answer) =>
    answering(context, answer, async () => {
      const { copy: id, readTo } = followRequest.parse(request)
      let { copy, role } = await copyFor(db, person, id)
      const room = rooms.copy(id, role)
      if (!device.rooms.has(room)) {
        // Joined before copy and log are read: what is kept between is told twice rather than never.
        await device.join(room)
        copy = (await copyFor(db, person, id)).copy
      }
      await device.join(rooms.audience(copy.handoutId))
      whereabouts.follows(id, copy.handoutId)
      const { events, more } = await readLog(db, copy, role, readTo)
      return {
        ok: true,
        events,
        more,
        standing: standingOf(copy),
      }
    }),
  )

  device.on('unfollow', (copy) => {
    if (typeof copy !== 'string') return
    void device.leave(rooms.copy(copy, person.role))
    whereabouts.left(copy)
  })

  device.on('keep', (request, answer) =>
    answering(context, answer, async () => {
      const { person: maker, copy, events } = keepRequest.parse(request)
      if (maker !== person.id) throw new Refused('Somebody else is signed in here now.', 409)
      if (!kept.take(person.id, events.length))
        throw new Refused('That is too much at once. Wait a moment.', 429)
      const { fine, wrong } = eachByItself(events)
      const fates = fine.length > 0 ? await keeper.keep(person, copy, fine) : []
      return { ok: true, fates: [...fates, ...wrong] }
    }),
  )

  const watch = async (request: unknown) => {
    const { handout } = watchRequest.parse(request)
    if (person.role !== 'teacher') throw notHere()
    await ownHandout(db, person.id, handout)
    await device.join(rooms.handout(handout))
    return handout
  }
  device.on('watch', (request, answer) =>
    answering(context, answer, async () => {
      await watch(request)
      return { ok: true }
    }),
  )
  device.on('walk', (request, answer) =>
    answering(context, answer, async () => {
      const handout = await watch(request)
      live.to(rooms.audience(handout)).emit('whereAreYou', handout)
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
    if (refused.status >= 500) context.log.error({ cause: causeOf(error) }, 'live message failed')
    reply({
      ok: false,
      why: refused.message,
      gone: refused.status < 500 && refused.status !== 429 && refused.status !== 409,
    })
  }
}

/** What is well formed of what was sent, and the fate of what is not. Throws `Refused` when not even its id can be read. */
function eachByItself(sent: readonly unknown[]): { fine: PageEvent[]; wrong: EventFate[] } {
  const fine: PageEvent[] = []
  const wrong: EventFate[] = []
  for (const each of sent) {
    const event = pageEvent.safeParse(each)
    if (event.success) fine.push(event.data)
    else {
      const { id } = named.parse(each)
      wrong.push({ id, fate: 'wrong', why: asRefused(event.error).message })
    }
  }
  return { fine, wrong }
}

const named = z.object({ id: z.uuid() })

/** Whoever sends more than people can, on all their devices together, is cut off until a while has passed. */
function limitMessages(device: Device, person: string): void {
  device.use((_message, next) => {
    if (messages.take(person)) next()
    else device.disconnect(true)
  })
}
