import { CALLS, type HandBackRequest, type HandoutWhole } from '@hand-back/core'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { sayDone, sayProblem } from '../../ui/notices.ts'
import { capital, count, sayWhen } from '../../ui/when.ts'

/** How copies are handed back: left out, now and to be read. */
export type HandingBack = Omit<HandBackRequest, 'copies'>

/** Whether copies go back with their marks unless somebody says otherwise: as those before them did. */
export const goWithMarks = ({ copies }: HandoutWhole): boolean => !copies.some(({ marksKept }) => marksKept)

/** Gives the marks of copies that went back without them. */
export async function giveMarks(handout: string, copies: readonly string[]): Promise<void> {
  try {
    await ask(CALLS.giveMarks, { handout }, { copies })
    refreshed(handout)
    sayDone(`The marks of ${count(copies.length, 'copy', 'copies')} are given.`)
  } catch (error) {
    sayProblem(error)
  }
}

/**
 * Hands copies back, now or later, and says how many go; as long as nobody has read them, that can be undone. Those
 * that were never opened stay.
 */
export async function handBack(
  handout: string,
  copies: readonly string[],
  how: HandingBack = {},
): Promise<void> {
  try {
    const { handedBack } = await ask(CALLS.handBackMany, { handout }, { ...how, copies })
    refreshed(handout)
    sayDone(
      toldOf(handedBack.length, how),
      handedBack.length > 0 ? undoOf(handout, handedBack, how) : undefined,
    )
  } catch (error) {
    sayProblem(error)
  }
}

function toldOf(copies: number, { at, again, marks = true }: HandingBack): string {
  const these = capital(count(copies, 'copy', 'copies'))
  const how = `${again ? ' for another go' : ''}${marks ? '' : ', without marks'}`
  if (at) return `${these} will go back ${sayWhen(at)}${how}.`
  return `${these} ${copies === 1 ? 'is' : 'are'} handed back${how}.`
}

/** Another go is not taken back: its students may have begun. */
function undoOf(handout: string, copies: readonly string[], { at, again }: HandingBack) {
  if (at) return () => void keepBack(handout, copies)
  return again ? undefined : () => void bringBack(handout, copies)
}

/** Copies that were to go back by themselves stay. */
export const keepBack = (handout: string, copies: readonly string[]): Promise<void> =>
  withEach(handout, copies, (copy) => ask(CALLS.changeCopy, { copy }, { handsBackAt: null }))

/** Brings copies back to where they stood before they were handed back. Those that were read meanwhile stay. */
export const bringBack = (handout: string, copies: readonly string[]): Promise<void> =>
  withEach(handout, copies, (copy) => ask(CALLS.bringBack, { copy }))

async function withEach(
  handout: string,
  copies: readonly string[],
  act: (copy: string) => Promise<unknown>,
): Promise<void> {
  const done = await Promise.allSettled(copies.map(act))
  refreshed(handout)
  const refused = done.find((each) => each.status === 'rejected')
  if (refused) sayProblem(refused.reason)
}

function refreshed(handout: string): void {
  void refresh(CALLS.handout, { handout })
  void refresh(CALLS.handouts)
}
