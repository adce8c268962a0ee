import { type Person, person } from '@hand-back/core'
import type { z } from 'zod'
import { ask } from '../api/ask.ts'
import { endLive } from '../api/live.ts'
import { nowIs } from '../api/queries.ts'
import { nothingOwed } from '../api/signOutOwed.ts'
import { forgetPerson } from '../offline/offline.ts'
import { leaveOutbox } from '../page/device/personOutbox.ts'

/** Signs in by one of the ways there are and lets the screens know. Throws `Problem`. */
export async function signInBy(way: string, body: unknown): Promise<void> {
  const who: Person = await ask(person as z.ZodType<Person>, 'POST', way, body)
  // Somebody else may have been here before, and left without signing out.
  await forgetPerson()
  nothingOwed()
  leaveOutbox()
  endLive()
  nowIs(who)
}
