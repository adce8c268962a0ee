import { type Person, person } from '@hand-back/core'
import type { z } from 'zod'
import { ask } from '../api/ask.ts'
import { nowIs } from '../api/queries.ts'
import { forgetWork } from '../offline/offline.ts'

/** Signs in by one of the ways there are and lets the screens know. Throws `Problem`. */
export async function signInBy(way: string, body: unknown): Promise<void> {
  const who: Person = await ask(person as z.ZodType<Person>, 'POST', way, body)
  // Somebody else may have been here before, and left without signing out.
  await forgetWork()
  nowIs(who)
}
