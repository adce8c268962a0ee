import { CALLS, type Front, MOST_ANSWERS_AT_FRONT } from '@hand-back/core'
import { ask } from '../../api/ask.ts'
import { sayDone, sayProblem } from '../../ui/notices.ts'
import type { Strip } from './strips.ts'

/** Shows answers at the front: what is cut out of the copies, without names and without what teachers wrote. */
export async function showAnswers(handout: string, strips: readonly Strip[]): Promise<void> {
  const shown = strips
    .flatMap(({ row, parts }) => parts.map(({ page, cut }) => ({ copy: row.id, page: page.id, part: cut })))
    .slice(0, MOST_ANSWERS_AT_FRONT)
  const show = (front: Front | null) => ask(CALLS.say, { handout }, { say: 'show', front })
  try {
    await show({ what: 'answers', shown })
    const words = shown.length === 1 ? 'It is at the front' : 'They are at the front'
    sayDone(`${words}, without names.`, () => void show(null).catch(sayProblem))
  } catch (error) {
    sayProblem(error)
  }
}
