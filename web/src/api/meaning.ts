import { Problem } from './ask.ts'

/**
 * What it means that something was not taken. `again`: the way failed, or whose it is was in doubt; it is
 * sent again by itself. `wait`: not now; it is kept here until something changes. `never`: not as it is; it
 * is kept here for a person to look at. Whatever it means, nothing is dropped.
 */
export type Meaning = 'again' | 'wait' | 'never'

/** Not signed in, too slow, somebody else at this device, too much at once. */
const AGAIN = new Set([401, 408, 409, 429])
/** Not allowed, not there, not there any more, changed elsewhere, closed. */
const WAIT = new Set([403, 404, 410, 412, 423])

/** The one rule for everything that a device sends by itself: events, attachments, sheets, habits. */
export function meaningOf(error: unknown): Meaning {
  if (!(error instanceof Problem) || error.status < 400 || error.status >= 500) return 'again'
  if (AGAIN.has(error.status)) return 'again'
  return WAIT.has(error.status) ? 'wait' : 'never'
}
