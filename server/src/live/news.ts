import type { CopyRow, CopySum } from '@hand-back/core'
import { type DeviceMessages, type ServerMessages, toldTo } from '@hand-back/core'
import type { Logger } from 'pino'
import type { Server } from 'socket.io'
import { causeOf } from '../http/errors.ts'
import { type News, standingOf } from '../news.ts'

export type Live = Server<DeviceMessages, ServerMessages>

/** Where each listener sits. A student and a teacher of one copy sit in different rooms: they hear different things. */
export const rooms = {
  copy: (id: string, role: 'student' | 'teacher') => `copy:${id}:${role}`,
  handout: (id: string) => `handout:${id}`,
  /** Everybody who has a copy of a hand-out open. */
  audience: (handout: string) => `audience:${handout}`,
  person: (id: string) => `person:${id}`,
  session: (id: string) => `session:${id}`,
}

/** News over the live connections of all processes. `rowOf` looks up a copy as its teacher's table shows it, `sumOf` what its marks come to. */
export function liveNews(
  live: Live,
  log: Logger,
  rowOf: (handout: string, copy: string) => Promise<CopyRow | undefined>,
  sumOf: (handout: string, copy: string) => Promise<CopySum | undefined>,
): News {
  const tellRow = (copy: { id: string; handoutId: string }, then: (row: CopyRow) => void = () => {}) => {
    rowOf(copy.handoutId, copy.id).then(
      (row) => {
        if (!row) return
        live.to(rooms.handout(copy.handoutId)).emit('copyRow', { handout: copy.handoutId, row })
        then(row)
      },
      (error) => log.warn({ cause: causeOf(error) }, 'news of a copy not told'),
    )
  }
  return {
    eventsKept(copy, events) {
      live.to(rooms.copy(copy.id, 'teacher')).emit('events', { copy: copy.id, events: [...events] })
      live.to(rooms.handout(copy.handoutId)).emit('touched', { handout: copy.handoutId, copy: copy.id })
      if (!copy.out) return
      const seen = events.flatMap((event) => toldTo('student', copy, event) ?? [])
      if (seen.length > 0)
        live.to(rooms.copy(copy.id, 'student')).emit('events', { copy: copy.id, events: seen })
    },
    copyChanged(copy) {
      const standing = standingOf(copy)
      live.to(rooms.copy(copy.id, 'teacher')).emit('standing', standing)
      if (copy.out) live.to(rooms.copy(copy.id, 'student')).emit('standing', standing)
      tellRow(copy, (row) => {
        for (const { id } of row.students) live.to(rooms.person(id)).emit('tray')
      })
    },
    rowChanged: (copy) => tellRow(copy),
    marksChanged(copy) {
      sumOf(copy.handoutId, copy.id).then(
        (sum) => {
          if (sum) live.to(rooms.handout(copy.handoutId)).emit('marks', { handout: copy.handoutId, sum })
        },
        (error) => log.warn({ cause: causeOf(error) }, 'marks of a copy not told'),
      )
    },
    heapsChanged(handout, question) {
      live.to(rooms.handout(handout)).emit('heaps', { handout, question })
    },
    handsChanged({ id, handoutId }, students) {
      live.to(rooms.handout(handoutId)).emit('hands', handoutId)
      for (const student of students) live.to(rooms.person(student)).emit('hand', id)
    },
    lessonChanged(handout) {
      live.to(rooms.handout(handout)).to(rooms.audience(handout)).emit('lesson', handout)
    },
    trayChanged(student) {
      live.to(rooms.person(student)).emit('tray')
    },
    handoutChanged(handout) {
      live.to(rooms.handout(handout)).to(rooms.audience(handout)).emit('handout', handout)
    },
    handoutSeenAnew(handout) {
      live.to(rooms.handout(handout)).emit('handout', handout)
    },
    closedTo(copies, student) {
      for (const copy of copies) {
        const room = rooms.copy(copy, 'student')
        live.in(student ? rooms.person(student) : room).socketsLeave(room)
      }
    },
    teacherLeft(teacher, handouts, copies) {
      const left = [...handouts.map(rooms.handout), ...copies.map((copy) => rooms.copy(copy, 'teacher'))]
      if (left.length > 0) live.in(rooms.person(teacher)).socketsLeave(left)
    },
    joinAsked(teacher) {
      live.to(rooms.person(teacher)).emit('joining')
    },
    signedOut(sessionId) {
      live.in(rooms.session(sessionId)).disconnectSockets(true)
    },
    personSignedOut(person) {
      live.in(rooms.person(person)).disconnectSockets(true)
    },
  }
}
