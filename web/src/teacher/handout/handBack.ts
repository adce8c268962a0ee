import { CALLS } from '@hand-back/core'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { sayDone, sayProblem } from '../../ui/notices.ts'
import { capital, count } from '../../ui/when.ts'

/** Hands copies back and says how many went. Those that were never opened stay. */
export async function handBack(handout: string, copies: readonly string[]): Promise<void> {
  try {
    const { handedBack } = await ask(CALLS.handBackMany, { handout }, { copies })
    void refresh(CALLS.handout, { handout })
    void refresh(CALLS.handouts)
    sayDone(`${capital(count(handedBack.length, 'copy is', 'copies are'))} handed back.`)
  } catch (error) {
    sayProblem(error)
  }
}
