import type { Way } from '../handout/plan.ts'
import type { CopyState } from '../handout/state.ts'
import type { Layer } from './events.ts'

export type Role = 'teacher' | 'student'

/** What of a copy decides who may read and write what. */
export interface CopyStanding {
  /** A copy to read takes nobody's work. */
  readonly way: Way
  readonly state: CopyState
  /** The round of work under way, or just ended; from 1. */
  readonly round: number
  /** Whether things are said at its places. */
  readonly pins: boolean
}

/** The last round whose feedback was handed back; 0 when none was. */
export function handedBackRound(copy: Pick<CopyStanding, 'state' | 'round'>): number {
  return copy.state === 'handed back' ? copy.round : copy.round - 1
}

/**
 * Whether someone with a place in this copy (its student, or the teacher who handed it out) may read
 * what lies on `layer` from `round`. The server sends nothing that this refuses.
 */
export function mayRead(
  role: Role,
  copy: Pick<CopyStanding, 'state' | 'round'>,
  layer: Layer,
  round: number,
): boolean {
  return role === 'teacher' || layer !== 'feedback' || round <= handedBackRound(copy)
}

/** Whether someone with a place in this copy may write on `layer` now. */
export function mayWrite(role: Role, copy: CopyStanding, layer: Layer): boolean {
  // What is handed out to be read can be talked about too.
  if (layer === 'pins') return copy.pins
  // What is there to be read, its teacher writes: at the front, while the class looks on.
  if (copy.way === 'read') return role === 'teacher' && layer === 'work'
  if (role === 'student') return layer === 'work' && worksOn(copy.state)
  return layer === 'help' || (layer === 'feedback' && copy.state !== 'waiting')
}

/** Whether a student may answer feedback now: as long as it lies with them. */
export function mayReply(role: Role, copy: CopyStanding): boolean {
  return role === 'student' && copy.way !== 'read' && (copy.state === 'handed back' || worksOn(copy.state))
}

/** Whether the copy lies with the student and takes their ink. */
export function worksOn(state: CopyState): boolean {
  return state === 'waiting' || state === 'working' || state === 'another go'
}

/**
 * Whether a student may write on one page of a copy: all pages are everybody's, unless a page was given
 * to some of those who share it. `owners`: to whom each page was given.
 */
export function mayWriteOn(
  person: string,
  page: string,
  owners: Readonly<Record<string, readonly string[]>>,
): boolean {
  const of = owners[page]
  return !of || of.length === 0 || of.includes(person)
}
