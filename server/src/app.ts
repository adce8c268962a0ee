import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { Refused } from '@hand-back/core'
import compression from 'compression'
import express, { type Express, type RequestHandler } from 'express'
import helmet from 'helmet'
import { attachmentRoutes } from './attachments/index.ts'
import { classRoutes, joinRoutes } from './classes/index.ts'
import type { Context } from './context.ts'
import { copyRoutes } from './copies/index.ts'
import { formatRoutes, Pictures } from './formats/index.ts'
import { giveToJoiners, handoutRoutes } from './handouts/index.ts'
import { as } from './http/as.ts'
import { refuseDeep } from './http/depth.ts'
import { answerErrors } from './http/errors.ts'
import { numberRequest } from './http/requestId.ts'
import { sameOrigin } from './http/sameOrigin.ts'
import { samePerson } from './http/samePerson.ts'
import { mailRoutes } from './mail/index.ts'
import { markingRoutes } from './marking/index.ts'
import { marksBookRoutes } from './marksBook/index.ts'
import { paperRoutes } from './papers/index.ts'
import { type Packers, parcelRoutes } from './parcels/index.ts'
import { guardSignIn, habitRoutes, knowPerson, peopleRoutes } from './people/index.ts'
import { remarkRoutes } from './remarks/index.ts'
import { roomRoutes } from './room/index.ts'
import { worksheetRoutes } from './worksheets/index.ts'

const verify = (_request: unknown, _response: unknown, bytes: Buffer) => refuseDeep(bytes)
const YEAR = 365 * 24 * 60 * 60 * 1000

/** The HTTP side of the server. `webRoot` is the folder of the built interface. */
export function makeApp(
  context: Context,
  session: RequestHandler,
  webRoot: string,
  packers?: Packers,
): Express {
  const app = express()
  app.set('trust proxy', 'loopback')
  // Answers of the API are never kept; a sum over a large PDF would hold up everybody else.
  app.disable('etag')
  app.use(numberRequest)
  app.use(securityHeaders())
  app.use(compression())
  app.get('/api/alive', async (_request, response) => {
    await context.pool.query('SELECT 1')
    response.json({ alive: true })
  })
  app.use(['/api/sign-in', '/api/join', '/api/first-teacher'], guardSignIn(context.secret))
  app.use('/api', session, knowPerson(context), sameOrigin, samePerson)
  // A worksheet's pages travel whole; everything else is small.
  app.use('/api/worksheets', as('teacher'), express.json({ limit: '20mb', verify }))
  // Who gets what, for a whole school.
  app.use('/api/handouts', as('teacher'), express.json({ limit: '2mb', verify }))
  app.use('/api', express.json({ limit: '200kb', verify }))
  app.use('/api', (_request, response, next) => {
    response.set('Cache-Control', 'no-store')
    next()
  })
  const pictures = new Pictures(context)
  pictures.missing().catch((error) => context.log.warn({ err: error }, 'pictures could not be made'))
  const parts = [
    peopleRoutes,
    habitRoutes,
    (of: Context) => classRoutes(of, giveToJoiners),
    joinRoutes,
    (of: Context) => worksheetRoutes(of, (worksheet, teacher) => pictures.ahead(worksheet, teacher)),
    paperRoutes,
    handoutRoutes,
    copyRoutes,
    markingRoutes,
    marksBookRoutes,
    roomRoutes,
    mailRoutes,
    remarkRoutes,
    (of: Context) => formatRoutes(of, pictures),
    attachmentRoutes,
    (of: Context) => parcelRoutes(of, packers),
  ]
  for (const routes of parts) app.use('/api', routes(context))
  app.use('/api', () => {
    throw new Refused('There is nothing under this address.', 404)
  })
  serveInterface(app, webRoot)
  app.use(answerErrors(context.log))
  return app
}

function serveInterface(app: Express, webRoot: string): void {
  // Names under assets/ carry a hash of their content.
  app.use(
    '/assets',
    express.static(join(webRoot, 'assets'), { immutable: true, maxAge: YEAR, fallthrough: false }),
  )
  app.use(express.static(webRoot, { index: false, maxAge: '1h' }))
  const page = join(webRoot, 'index.html')
  app.get('/{*path}', (_request, response) => {
    if (!existsSync(page)) throw new Refused('The interface has not been built yet.', 503)
    response.set('Cache-Control', 'no-cache').sendFile(page)
  })
}

function securityHeaders(): RequestHandler {
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        workerSrc: ["'self'", 'blob:'],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'blob:', 'data:'],
        mediaSrc: ["'self'", 'blob:'],
        fontSrc: ["'self'", 'data:'],
        connectSrc: ["'self'", 'blob:'],
        objectSrc: ["'none'"],
        baseUri: ["'self'"],
        frameAncestors: ["'none'"],
        formAction: ["'self'"],
      },
    },
    // On a school's own network there is often no certificate; a proxy that has one sets this.
    strictTransportSecurity: false,
    crossOriginOpenerPolicy: { policy: 'same-origin' },
    referrerPolicy: { policy: 'same-origin' },
  })
}
