import { CALLS, type Rubric } from '@hand-back/core'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'

/** Makes it the rubric of a hand-out; null: it has none. Throws `Problem`, as where levels were given for what would be gone. */
export async function changeRubric(handout: string, rubric: Rubric | null): Promise<void> {
  await ask(CALLS.setRubric, { handout }, { rubric })
  await Promise.all([refresh(CALLS.handout, { handout }), refresh(CALLS.marking, { handout })])
}
