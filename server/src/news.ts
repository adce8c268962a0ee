import type { CopyStandingNews, KeptEvent } from '@hand-back/core'

/** A copy as news speaks of it. */
export interface Newsworthy extends Omit<CopyStandingNews, 'copy'> {
  readonly id: string
  readonly handoutId: string
}

/** Tells listeners what has happened, after it is in the database. Losing news loses nothing: whoever missed it asks. */
export interface News {
  eventsKept(copy: Newsworthy, events: readonly KeptEvent[]): void
  copyChanged(copy: Newsworthy): void
  trayChanged(student: string): void
  signedOut(sessionId: string): void
}
