import type { Question } from '../worksheet/sheet.ts'

/** The questions that a go is for, in words: “question 2”, “questions 2, 4 and 5”; nothing where it is for everything. */
export function sayGoFor(
  goFor: readonly string[] | null,
  questions: readonly Pick<Question, 'id' | 'label'>[],
): string {
  const labels = questions.filter(({ id }) => goFor?.includes(id)).map(({ label }) => label)
  if (labels.length < 2) return labels.length === 0 ? '' : `question ${labels[0]}`
  return `questions ${labels.slice(0, -1).join(', ')} and ${labels.at(-1)}`
}
