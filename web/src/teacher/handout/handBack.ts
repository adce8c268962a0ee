import { CALLS } from '@hand-back/core'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { sayDone, sayProblem } from '../../ui/notices.ts'
import { capital, count } from '../../ui/when.ts'

/**
 * Hands copies back and says how many went; as long as nobody has read them, that can be undone. Those that
 * were never opened stay.
 */
export async function handBack(handout: string, copies: readonly string[]): Promise<void> {
  try {
    const { handedBack } = await ask(CALLS.handBackMany, { handout }, { copies })
    refreshed(handout)
    const sentence = `${capital(count(handedBack.length, 'copy is', 'copies are'))} handed back.`
    sayDone(sentence, handedBack.length > 0 ? () => void bringBack(handout, handedBack) : undefined)
  } catch (error) {
    sayProblem(error)
  }
}

/** Brings copies back to where they stood before they were handed back. Those that were read meanwhile stay. */
export async function bringBack(handout: string, copies: readonly string[]): Promise<void> {
  const brought = await Promise.allSettled(copies.map((copy) => ask(CALLS.bringBack, { copy })))
  refreshed(handout)
  const refused = brought.find((each) => each.status === 'rejected')
  if (refused) sayProblem(refused.reason)
}

function refreshed(handout: string): void {
  void refresh(CALLS.handout, { handout })
  void refresh(CALLS.handouts)
}
