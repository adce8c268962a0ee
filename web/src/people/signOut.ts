import { endLive } from '../api/live.ts'
import { nowIs } from '../api/queries.ts'
import { oweSignOut, settleSignOut } from '../api/signOutOwed.ts'
import { forgetAnswers, forgetPerson } from '../offline/offline.ts'
import { leaveOutbox } from '../page/device/personOutbox.ts'
import { stopFilms } from '../page/talk/films.ts'
import { SEAT } from '../seat.ts'

/**
 * Ends the session here. The device forgets at once, school when it can be reached. What has not reached
 * school yet stays on the device for this person.
 */
export async function signOut(): Promise<void> {
  await forgetPerson()
  leaveOutbox()
  stopFilms()
  endLive()
  oweSignOut()
  await settleSignOut()
  await forgetAnswers().catch(() => {})
  // A seat is one person's place: whoever leaves it goes back to the door.
  if (SEAT) return location.assign('/')
  nowIs(null)
}
