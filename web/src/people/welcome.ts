import type { Call, Person } from '@hand-back/core'
import { askAt } from '../api/ask.ts'
import { endLive } from '../api/live.ts'
import { nowIs } from '../api/queries.ts'
import { nothingOwed } from '../api/signOutOwed.ts'
import { forgetPerson } from '../offline/offline.ts'
import { leaveOutbox } from '../page/device/personOutbox.ts'
import { stopFilms } from '../page/talk/films.ts'

/** Signs in by one of the ways there are and lets the screens know. Throws `Problem`. */
export async function signInBy<Sent>(way: Call<string, Sent, unknown, Person>, sent: Sent): Promise<void> {
  const who = await askAt(way, way.path, sent)
  // Somebody else may have been here before, and left without signing out.
  await forgetPerson()
  nothingOwed()
  leaveOutbox()
  stopFilms()
  endLive()
  nowIs(who)
}
