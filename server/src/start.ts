import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { createAdapter } from '@socket.io/postgres-adapter'
import pino, { type Logger } from 'pino'
import { Server } from 'socket.io'
import { makeApp } from './app.ts'
import type { Context, MailServer } from './context.ts'
import { handBackDue, Keeper } from './copies/index.ts'
import { bringUpToDate, connect } from './db/connect.ts'
import { clearBrokenUploads } from './files/index.ts'
import { copyRows } from './handouts/index.ts'
import { causeOf } from './http/errors.ts'
import { fromHere } from './http/sameOrigin.ts'
import { takeSeat } from './http/seat.ts'
import { answerDevices, gatheringPool, type Live, liveNews, liveSettings } from './live/index.ts'
import { makeMail, sendMail } from './mail/index.ts'
import { sumsOf } from './marking/index.ts'
import { clearOldParcels, Packers } from './parcels/index.ts'
import { clearOldSessions, sessions } from './people/index.ts'
import { noteOldVersions } from './worksheets/index.ts'

/** How often what is over is cleared away, in milliseconds. */
const TIDIES_EVERY = 15 * 60 * 1000
/** How often it is looked whether copies are to go back by themselves, in milliseconds. */
const HANDS_BACK_EVERY = 10_000
/** How often mail is made and sent, in milliseconds. */
const MAILS_EVERY = 60_000

export interface Settings {
  readonly databaseUrl: string
  /** 0 takes a free one. */
  readonly port: number
  readonly host: string
  /** Signs the session cookies. */
  readonly secret: string
  readonly demo: boolean
  /** What the first teacher must type to make their account; nothing: nobody need. */
  readonly setupCode?: string | undefined
  /** See `Context.picturesRest`. */
  readonly picturesRest?: number | undefined
  /** See `Context.address`; nothing: where it listens. */
  readonly address?: string | undefined
  readonly mailServer?: MailServer | undefined
  /** The folder of the built interface. */
  readonly webRoot: string
  readonly log?: Logger
}

export interface RunningServer {
  readonly url: string
  readonly context: Context
  stop(): Promise<void>
}

/** Starts a server: brings the database up to date, then answers. Several may run on one database. */
export async function startServer(settings: Settings): Promise<RunningServer> {
  const log = settings.log ?? pino({ level: process.env.LOG_LEVEL ?? 'warn' })
  const connection = connect(settings.databaseUrl, (error) =>
    log.warn({ cause: causeOf(error) }, 'database connection'),
  )
  await bringUpToDate(connection)
  const { db, pool } = connection
  await clearBrokenUploads(db)
  await noteOldVersions(db)

  const server = createServer()
  const live: Live = new Server({
    ...liveSettings,
    allowRequest: (request, decide) => decide(null, fromHere(request)),
  })
  const news = liveNews(
    live,
    log,
    async (handout, copy) => (await copyRows(db, handout, copy))[0],
    async (handout, copy) => (await sumsOf(db, handout, copy))[0],
  )
  const { demo, secret, setupCode, picturesRest } = settings
  const { mailServer, address } = settings
  const known = { demo, secret, setupCode, picturesRest, mailServer, address }
  const context: Context = { db, pool, log, news, now: Date.now, ...known }
  const session = sessions(context)

  const packers = new Packers(context)
  server.on('request', makeApp(context, session, settings.webRoot, packers))
  live.attach(server)
  live.engine.use(session)
  const notTold = (error: Error) => log.warn({ cause: causeOf(error) }, 'live messages')
  live.adapter(createAdapter(gatheringPool(pool, notTold), { errorHandler: notTold }))
  answerDevices(live, context, new Keeper(context))
  // Before every other listener, Socket.IO's included.
  server.prependListener('request', takeSeat)
  server.prependListener('upgrade', takeSeat)

  await new Promise<void>((done, failed) => {
    server.once('error', failed)
    server.listen(settings.port, settings.host, done)
  })
  packers.begin()
  const tidying = setInterval(() => {
    clearOldParcels(db).catch((error) => log.warn({ cause: causeOf(error) }, 'old parcels not cleared'))
    clearOldSessions(context).catch((error) =>
      log.warn({ cause: causeOf(error) }, 'old sessions not cleared'),
    )
  }, TIDIES_EVERY)
  tidying.unref()
  const handingBack = setInterval(() => {
    handBackDue(context).catch((error) => log.warn({ cause: causeOf(error) }, 'not handed back'))
  }, HANDS_BACK_EVERY)
  handingBack.unref()
  const mailing = setInterval(() => {
    mail(context).catch((error) => log.warn({ cause: causeOf(error) }, 'mail not sent'))
  }, MAILS_EVERY)
  mailing.unref()
  const { port } = server.address() as AddressInfo
  return {
    url: `http://${settings.host}:${port}`,
    context,
    async stop() {
      packers.stop()
      clearInterval(tidying)
      clearInterval(handingBack)
      clearInterval(mailing)
      await live.close()
      server.closeAllConnections()
      await connection.close()
    },
  }
}

async function mail(context: Context): Promise<void> {
  await makeMail(context)
  if (context.mailServer) await sendMail(context, context.mailServer)
}
