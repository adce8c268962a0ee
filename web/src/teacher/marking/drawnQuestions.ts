import { CALLS, type Question } from '@hand-back/core'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { sayDone, sayProblem } from '../../ui/notices.ts'

/** Adds a question for all copies of a hand-out; it can be taken back. A problem is said. */
export async function addQuestion(handout: string, question: Question): Promise<void> {
  try {
    await ask(CALLS.addQuestions, { handout }, { questions: [question] })
    await refresh(CALLS.marking, { handout })
    sayDone(`Question ${question.label} is there for all copies.`, () => void drop(handout, question.id))
  } catch (error) {
    sayProblem(error)
  }
}

async function drop(handout: string, question: string): Promise<void> {
  try {
    await ask(CALLS.dropQuestion, { handout, question })
    await refresh(CALLS.marking, { handout })
  } catch (error) {
    sayProblem(error)
  }
}
