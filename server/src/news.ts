import type { CopyStandingNews, KeptEvent } from '@hand-back/core'

/** A copy as news speaks of it. */
export interface Newsworthy extends Omit<CopyStandingNews, 'copy'> {
  readonly id: string
  readonly handoutId: string
  /** It lies in trays: students hear of it. */
  readonly out: boolean
}

/** Where a copy stands, as its student and its teachers are told it. */
export const standingOf = ({
  id,
  state,
  round,
  goFor,
  withoutMarks,
}: Omit<Newsworthy, 'handoutId' | 'out'>): CopyStandingNews => ({
  copy: id,
  state,
  round,
  goFor,
  withoutMarks,
})

/** Tells listeners what has happened, after it is in the database. Losing news loses nothing: whoever missed it asks. */
export interface News {
  eventsKept(copy: Newsworthy, events: readonly KeptEvent[]): void
  copyChanged(copy: Newsworthy): void
  /** Something of a copy that only teachers see changed: its students hear nothing, not even that it is marked. */
  rowChanged(copy: Pick<Newsworthy, 'id' | 'handoutId'>): void
  /** Marks of a copy were given, changed or taken: only teachers hear of it. */
  marksChanged(copy: Newsworthy): void
  /** The answers to a question were laid in other heaps: only teachers hear of it. */
  heapsChanged(handout: string, question: string): void
  /** Hands of these students went up or down in a copy: only they and teachers hear of it. */
  handsChanged(copy: Pick<Newsworthy, 'id' | 'handoutId'>, students: readonly string[]): void
  /** Something was said to the class that works on a hand-out: whoever has it open asks what. */
  lessonChanged(handout: string): void
  trayChanged(student: string): void
  /** Pages, dates, rules or people of a hand-out changed: whoever has it open asks again. */
  handoutChanged(handout: string): void
  /** How its teacher looks at a hand-out changed: its students hear nothing. */
  handoutSeenAnew(handout: string): void
  /** These copies are not for students any more, or not for this one. */
  closedTo(copies: readonly string[], student?: string): void
  /** This teacher does not see these hand-outs and copies any more. */
  teacherLeft(teacher: string, handouts: readonly string[], copies: readonly string[]): void
  /** Somebody asks this teacher to be let into a class. */
  joinAsked(teacher: string): void
  signedOut(sessionId: string): void
  /** All sessions of this person ended. */
  personSignedOut(person: string): void
}
