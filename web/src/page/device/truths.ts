import type { OutboxState } from './outbox.ts'

/** Something that is true of what was made: in a few words for the sign, and with what to do. */
export interface Truth {
  readonly state: 'unsafe' | 'full' | 'held' | 'here' | 'going' | 'kept'
  readonly words: string
  readonly hint: string
}

const things = (count: number) => `${count} ${count === 1 ? 'change' : 'changes'}`
const they = (count: number, one: string, many: string) => (count === 1 ? one : many)
const sum = (counts: Iterable<number>) => [...counts].reduce((all, count) => all + count, 0)

/** In the place of a copy's id where all copies are meant. */
export const ALL = 'all'

/** What waits, of whatever copy, as if it were of one. */
export function asOneCopy(state: OutboxState): OutboxState {
  const [why] = state.why.values()
  return {
    ...state,
    going: new Map([[ALL, sum(state.going.values())]]),
    held: new Map([[ALL, sum(state.held.values())]]),
    why: new Map(why === undefined ? [] : [[ALL, why]]),
  }
}

/**
 * Everything that is true of what was made on a copy and elsewhere on this device, the worst first.
 * `lost`: school cannot be reached. `slow`: what is on its way has been for a moment.
 *
 * Law: "Kept" comes only when nothing of the copy waits anywhere on this device.
 */
export function truthsOf(
  { deviceKeeps, nowhere, nearlyFull, going, held, why, elsewhere, looked }: OutboxState,
  copy: string,
  lost: boolean,
  slow: boolean,
): Truth[] {
  const waiting = going.get(copy) ?? 0
  const notTaken = held.get(copy) ?? 0
  const others = sum(going.values()) + sum(held.values()) + elsewhere - waiting - notTaken
  const truths: Truth[] = []
  if (!deviceKeeps && nowhere > 0 && lost)
    truths.push({
      state: 'unsafe',
      words: 'Not kept: leave this page open',
      hint: 'This device cannot keep anything, and school cannot be reached. What you made last is only on this page until one of them works again.',
    })
  else if (!deviceKeeps)
    truths.push({
      state: 'full',
      words: 'This device cannot keep: stay connected',
      hint: 'What you make goes straight to school. Without a connection it would be lost when this page closes. Make room on this device.',
    })
  if (notTaken > 0)
    truths.push({
      state: 'held',
      words: `${things(notTaken)} only on this device`,
      hint: `${why.get(copy) ?? 'School does not take them now.'} ${they(notTaken, 'It stays on this device and goes', 'They stay on this device and go')} along as soon as school takes ${they(notTaken, 'it', 'them')}.`,
    })
  if (lost)
    truths.push({
      state: 'here',
      words: 'No connection. Safe on this device',
      hint:
        waiting > 0
          ? `${things(waiting)} ${they(waiting, 'waits on this device and goes to school by itself', 'wait on this device and go to school by themselves')}.`
          : 'Go on working: what you make is kept on this device and goes to school by itself.',
    })
  if (others > 0)
    truths.push({
      state: 'going',
      words: 'Other work waits here',
      hint: `${things(others)} in other copies of yours ${they(others, 'waits', 'wait')} on this device for school.`,
    })
  if (nearlyFull)
    truths.push({
      state: waiting > 0 || !looked ? 'going' : 'kept',
      words: 'This device is nearly full',
      hint: 'Nothing is lost. Make room on this device before you work without a connection.',
    })
  if (!looked || (slow && waiting > 0 && !lost))
    truths.push({ state: 'going', words: 'Kept here …', hint: 'It is on its way to school.' })
  else if (truths.length === 0)
    truths.push({
      state: waiting > 0 ? 'going' : 'kept',
      words: 'Kept',
      hint: 'Everything you made here is kept at school.',
    })
  return truths
}
