import type { CopyState } from '../handout/state.ts'
import { worksOn } from '../log/layers.ts'

/** What is known of somebody at a copy while a class works. Times in milliseconds since 1970, by one clock. */
export interface AtWork {
  readonly copy: string
  readonly state: CopyState
  /** `here`: the copy is in front of somebody; `away`: something else is; `gone`: out of reach, or not opened at all. */
  readonly present: 'here' | 'away' | 'gone'
  /** When something was last done on it. */
  readonly lastDone: number | undefined
  /** Since when somebody asks for the teacher. */
  readonly handUpAt: number | undefined
}

/** What somebody is doing, as a teacher sees it from across the room. */
export type Doing = 'asks' | 'still' | 'writing' | 'here' | 'away' | 'gone' | 'not opened' | 'with you'

/** Somebody is writing for so long after each stroke, in milliseconds. */
const WRITING = 12_000
/** Who has done nothing for so many times as long as most of the class is still. */
const TIMES_THE_CLASS = 2

/** How long nothing was done on a copy that somebody has in front of them. */
const idleOf = ({ lastDone }: AtWork, now: number): number => (lastDone === undefined ? 0 : now - lastDone)

/**
 * What each is doing. Still is who has the copy in front of them and did nothing for `stillAfter` milliseconds, while
 * most of the class did: nobody is still while all listen.
 */
export function doingOf(all: readonly AtWork[], now: number, stillAfter: number): ReadonlyMap<string, Doing> {
  const working = all.filter(({ present, state }) => present === 'here' && worksOn(state))
  const idle = working.map((one) => idleOf(one, now)).sort((a, b) => a - b)
  const usual = idle[Math.floor((idle.length - 1) / 2)] ?? 0
  const limit = Math.max(stillAfter, working.length > 1 ? usual * TIMES_THE_CLASS : 0)
  return new Map(all.map((one) => [one.copy, doing(one, idleOf(one, now), limit)]))
}

function doing({ state, present, handUpAt }: AtWork, idle: number, limit: number): Doing {
  if (!worksOn(state)) return 'with you'
  if (handUpAt !== undefined) return 'asks'
  if (present === 'gone') return state === 'waiting' ? 'not opened' : 'gone'
  if (present === 'away') return 'away'
  if (idle >= limit) return 'still'
  return idle < WRITING ? 'writing' : 'here'
}

/** Who needs the teacher: those who ask, the longest first, then those who are still, the longest first. */
export function needsYou(all: readonly AtWork[], now: number, stillAfter: number): AtWork[] {
  const doing = doingOf(all, now, stillAfter)
  const of = (what: Doing) => all.filter(({ copy }) => doing.get(copy) === what)
  return [
    ...of('asks').sort((a, b) => a.handUpAt! - b.handUpAt!),
    ...of('still').sort((a, b) => idleOf(b, now) - idleOf(a, now)),
  ]
}
