import type { IncomingMessage } from 'node:http'
import { Refused } from '@hand-back/core'
import type { RequestHandler } from 'express'

/** Whether a browser's request comes from a page of this very server. Programs without a browser send no Origin. */
export function fromHere(request: IncomingMessage): boolean {
  const { origin, host } = request.headers
  if (!origin) return true
  try {
    return new URL(origin).host === host
  } catch {
    return false
  }
}

/** Refuses writing requests that another site's page made with our visitor's cookie. */
export const sameOrigin: RequestHandler = (request, _response, next) => {
  const reads = request.method === 'GET' || request.method === 'HEAD'
  if (!reads && !fromHere(request)) throw new Refused('This request came from another site.', 403)
  next()
}
