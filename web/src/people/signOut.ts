import { ask, nothing } from '../api/ask.ts'
import { endLive } from '../api/live.ts'
import { nowIs } from '../api/queries.ts'
import { forgetWork } from '../offline/offline.ts'
import { leaveOutbox } from '../page/device/personOutbox.ts'
import { SEAT } from '../seat.ts'

/** Ends the session here. What has not reached school yet stays on the device for this person. */
export async function signOut(): Promise<void> {
  await ask(nothing, 'POST', '/sign-out').catch(() => {})
  await forgetWork()
  leaveOutbox()
  endLive()
  // A seat is one person's place: whoever leaves it goes back to the door.
  if (SEAT) return location.assign('/')
  nowIs(null)
}
