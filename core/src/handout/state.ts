/** Where a copy stands. */
export const COPY_STATES = ['waiting', 'working', 'handed in', 'handed back', 'another go'] as const
export type CopyState = (typeof COPY_STATES)[number]

/** What the rules of a copy's way look at. */
export interface Standing {
  readonly state: CopyState
  readonly round: number
  /** The teacher has written feedback in this round. */
  readonly markingBegan: boolean
  /** While it is handed back and the student has not opened it since: where it stood before. */
  readonly stateBefore: CopyState | null
  /** The questions that this go is for; null: everything. */
  readonly goFor: readonly string[] | null
}

/** Why something cannot be done, in a sentence for people. */
export class Refused extends Error {
  /** HTTP status that carries it. */
  readonly status: number
  constructor(sentence: string, status = 409) {
    super(sentence)
    this.status = status
  }
}

/** The student opens the copy: what was handed back is read. */
export function opened<S extends Standing>(copy: S): S {
  if (copy.stateBefore !== null) return { ...copy, stateBefore: null }
  return copy.state === 'waiting' ? { ...copy, state: 'working' } : copy
}

/** The student hands in, or the teacher takes in what was done on paper; a second press changes nothing. Throws `Refused`. */
export function handedIn<S extends Standing>(copy: S): S {
  if (copy.state === 'handed in') return copy
  if (copy.state === 'handed back') throw new Refused('This has been handed back already.')
  return { ...copy, state: 'handed in' }
}

/** The student takes back what they handed in, until marking begins. Throws `Refused`. */
export function takenBack<S extends Standing>(copy: S): S {
  if (copy.state === 'working' || copy.state === 'another go') return copy
  if (copy.state !== 'handed in') throw new Refused('Only work that is handed in can be taken back.')
  if (copy.markingBegan) {
    throw new Refused(
      'Your teacher has begun to write on it, so it cannot be taken back now. It will come back to you.',
    )
  }
  return { ...copy, state: copy.round === 1 ? 'working' : 'another go' }
}

/** The teacher hands back, finished or not; a second press changes nothing. Throws `Refused` for a copy never opened. */
export function handedBack<S extends Standing>(copy: S): S {
  if (copy.state === 'handed back') return copy
  if (copy.state === 'waiting') throw new Refused('A copy that was never opened cannot be handed back.')
  return { ...copy, state: 'handed back', stateBefore: copy.state }
}

/** The teacher brings back what was handed back by mistake, to where it stood, until the student has read it. Throws `Refused`. */
export function broughtBack<S extends Standing>(copy: S): S {
  if (copy.state !== 'handed back') return copy
  if (copy.stateBefore === null)
    throw new Refused('It has been read by now. Ask for another go to have it worked on again.')
  return { ...copy, state: copy.stateBefore, stateBefore: null }
}

/**
 * The teacher asks for another go, at everything or at chosen questions: what was written is handed back and a new round
 * begins. Throws `Refused`.
 */
export function anotherGo<S extends Standing>(copy: S, goFor: readonly string[] | null = null): S {
  if (copy.state !== 'handed in' && copy.state !== 'handed back') {
    throw new Refused('Another go can be asked for once the work is handed in.')
  }
  return {
    ...copy,
    state: 'another go',
    round: copy.round + 1,
    markingBegan: false,
    stateBefore: null,
    goFor,
  }
}
