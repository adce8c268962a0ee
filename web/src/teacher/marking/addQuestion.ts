import { CALLS, type Question } from '@hand-back/core'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { sayProblem } from '../../ui/notices.ts'

/** Adds a question for all copies of a hand-out; a problem is said. */
export async function addQuestion(handout: string, question: Question): Promise<void> {
  try {
    await ask(CALLS.addQuestions, { handout }, { questions: [question] })
    await refresh(CALLS.marking, { handout })
  } catch (error) {
    sayProblem(error)
  }
}
