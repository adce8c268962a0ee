import { Refused } from './state.ts'

/** Somebody in a class who can get a copy. */
export interface Recipient {
  readonly id: string
  readonly name: string
}

/** What will happen when it is handed out: who gets a copy, who is left out. */
export interface HandoutPlan {
  readonly copies: readonly Recipient[]
  readonly leftOut: readonly Recipient[]
}

/**
 * Plans one copy for each chosen student of a class. `chosen` undefined means everybody.
 *
 * Law: every student of the class stands exactly once in `copies` or `leftOut`. Throws `Refused` when
 * nobody would get a copy or somebody chosen is not in the class.
 */
export function planHandout(roster: readonly Recipient[], chosen?: readonly string[]): HandoutPlan {
  if (roster.length === 0) throw new Refused('This class has no students yet. Add some first.', 422)
  const wanted = chosen ? new Set(chosen) : undefined
  const known = new Set(roster.map((student) => student.id))
  if (wanted && [...wanted].some((id) => !known.has(id))) {
    throw new Refused('Somebody chosen is not in this class any more. Look at the list again.', 422)
  }
  const copies = wanted ? roster.filter((student) => wanted.has(student.id)) : [...roster]
  if (copies.length === 0) throw new Refused('Choose at least one student.', 422)
  return { copies, leftOut: roster.filter((student) => wanted && !wanted.has(student.id)) }
}
