import { Problem } from '../../api/ask.ts'
import { sayProblem } from '../../ui/notices.ts'
import { finishAll } from './finishing.ts'
import type { Outbox } from './outbox.ts'

/** How long a step with a whole copy waits for ink that is still on its way, in milliseconds. */
const PATIENCE = 8_000

/**
 * Whether all of a copy has reached school, waiting a little for it; what is half done is ended first. When it has not,
 * that is said.
 */
export async function allArrived(outbox: Outbox, copy: string): Promise<boolean> {
  await finishAll(copy)
  const arrived = await outbox.emptied(copy, PATIENCE)
  if (!arrived) {
    const sentence =
      'What you made has not all reached school yet. It is safe on this device; try again when the sign says Kept.'
    sayProblem(new Problem(sentence, 0))
  }
  return arrived
}
