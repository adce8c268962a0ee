import { CALLS, type Rubric } from '@hand-back/core'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'

/** Makes it the rubric of a hand-out; null: it has none. What was given stays in the copies. Throws `Problem`. */
export async function changeRubric(handout: string, rubric: Rubric | null): Promise<void> {
  await ask(CALLS.changeHandout, { handout }, { rubric })
  await Promise.all([refresh(CALLS.handout, { handout }), refresh(CALLS.marking, { handout })])
}
