import { CALLS } from '@hand-back/core'
import { dropNote, readNote, writeNote } from '../deviceNotes.ts'
import { SEAT } from '../seat.ts'
import { ask, Problem } from './ask.ts'

const OWED = `sign-out owed ${SEAT}`

/** Notes that somebody signed out here: school is told as soon as it can be reached, whoever opens this device. */
export function oweSignOut(): void {
  writeNote(OWED, 'yes')
}

/** Somebody signed in, which ended the session before: nothing is owed any more. */
export function nothingOwed(): void {
  dropNote(OWED)
}

/** Tells school of a sign-out that it does not know of. Whether nothing is owed any more. */
export async function settleSignOut(): Promise<boolean> {
  if (readNote(OWED) === null) return true
  try {
    await ask(CALLS.signOut)
  } catch (error) {
    // A refusal says that nobody is signed in any more.
    if (!(error instanceof Problem) || error.status !== 401) return false
  }
  nothingOwed()
  return true
}
