import type { IncomingMessage } from 'node:http'

/**
 * A seat is a place under `/as/NAME/` where somebody can be signed in beside others in the same
 * browser, each in a tab of their own: the cookie's path keeps them apart.
 */
const SEAT = /^\/as\/([a-z0-9-]{1,40})(?=\/|$|\?)/

interface Seated extends IncomingMessage {
  seat?: string
  /** The address as the browser knows it: cookies go by it. */
  originalUrl?: string
}

/** Takes the seat out of the address before anything else looks at it. */
export function takeSeat(request: IncomingMessage): void {
  const match = SEAT.exec(request.url ?? '')
  if (!match) return
  const seated = request as Seated
  seated.seat = match[1]!
  seated.originalUrl = request.url!
  const rest = request.url!.slice(match[0].length)
  request.url = rest.startsWith('/') ? rest : `/${rest}`
}

/** The path under which the seat's cookie is kept. */
export function seatPath(request: IncomingMessage): string {
  const { seat } = request as Seated
  return seat ? `/as/${seat}` : '/'
}

/** Whether the request came to a seat of its own. */
export function hasSeat(request: IncomingMessage): boolean {
  return (request as Seated).seat !== undefined
}
