import { randomUUID } from 'node:crypto'
import type { RequestHandler } from 'express'

declare module 'express-serve-static-core' {
  interface Request {
    /** Under which a request stands in the log; its answer carries it too. */
    id: string
  }
}

/** Gives every request a number of its own. */
export const numberRequest: RequestHandler = (request, response, next) => {
  request.id = randomUUID()
  response.set('X-Request-Id', request.id)
  next()
}
