import type { Connection, Context } from '@hand-back/server'
import { pino } from 'pino'

const silent = () => {}

/** The server's context for work without a server: nobody listens, nothing is logged. `now` can be another time. */
export function quietContext({ db, pool }: Connection, now: () => number = Date.now): Context {
  const news = {
    eventsKept: silent,
    copyChanged: silent,
    marksChanged: silent,
    heapsChanged: silent,
    handsChanged: silent,
    lessonChanged: silent,
    trayChanged: silent,
    handoutChanged: silent,
    closedTo: silent,
    rowChanged: silent,
    handoutSeenAnew: silent,
    joinAsked: silent,
    teacherLeft: silent,
    signedOut: silent,
    personSignedOut: silent,
  }
  const log = pino({ level: 'silent' })
  return {
    db,
    pool,
    news,
    now,
    log,
    secret: 'quiet',
    setupCode: undefined,
    picturesRest: undefined,
    address: undefined,
    mailServer: undefined,
    demo: true,
  }
}
