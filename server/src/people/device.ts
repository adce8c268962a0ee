import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto'
import type { IncomingMessage } from 'node:http'
import type { Request, Response } from 'express'

const NAME = 'handback-device'
const LASTS = 400 * 24 * 60 * 60 * 1000

const sealOf = (id: string, secret: string) =>
  createHmac('sha256', secret).update(`device ${id}`).digest('hex')

/**
 * The device that a request comes from, if somebody signed in on it before: told by a sealed cookie, so
 * that it cannot be made up. It says nothing of who signed in.
 */
export function knownDevice(request: IncomingMessage, secret: string): string | undefined {
  const told = new RegExp(`(?:^|;\\s*)${NAME}=([0-9a-f]{32})\\.([0-9a-f]{64})`).exec(
    request.headers.cookie ?? '',
  )
  if (!told) return undefined
  const [, id, seal] = told as unknown as [string, string, string]
  return timingSafeEqual(Buffer.from(sealOf(id, secret)), Buffer.from(seal)) ? id : undefined
}

/** Lets a device be known from now on: somebody has signed in on it. */
export function rememberDevice(request: Request, response: Response, secret: string): void {
  const id = knownDevice(request, secret) ?? randomBytes(16).toString('hex')
  response.cookie(NAME, `${id}.${sealOf(id, secret)}`, {
    httpOnly: true,
    sameSite: 'lax',
    secure: request.secure,
    maxAge: LASTS,
    path: '/',
  })
}
