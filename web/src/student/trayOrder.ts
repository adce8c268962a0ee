import type { CopyState, TrayEntry } from '@hand-back/core'

const IN_HAND: readonly CopyState[] = ['another go', 'working', 'waiting']
const DAY = 24 * 60 * 60 * 1000

/** Whether somebody has it to work on. */
export function isInHand({ state, way }: TrayEntry): boolean {
  return way !== 'read' && IN_HAND.includes(state)
}

/** Whether pages came or changed within the last days and it is still to be worked on. */
export function isChanged({ changedAt, state }: TrayEntry, now = Date.now()): boolean {
  return changedAt !== null && IN_HAND.includes(state) && now - changedAt < 7 * DAY
}

/** What lies in a tray, in the order in which it wants to be seen: what is in hand by its date, the rest newest first. */
export function inTray(entries: readonly TrayEntry[]): { title: string; entries: TrayEntry[] }[] {
  const newest = [...entries].sort((a, b) => b.handedOutAt - a.handedOutAt)
  const byDate = newest.filter(isInHand).sort((a, b) => dueOf(a) - dueOf(b))
  return [
    { title: 'In your hands', entries: byDate },
    { title: 'Came back to you', entries: newest.filter(({ state }) => state === 'handed back') },
    { title: 'To read', entries: newest.filter(({ way }) => way === 'read') },
    { title: 'With your teacher', entries: newest.filter(({ state }) => state === 'handed in') },
  ]
}

const dueOf = ({ dueAt }: TrayEntry) => dueAt ?? Number.POSITIVE_INFINITY
