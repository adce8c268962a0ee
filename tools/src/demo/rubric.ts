import { type Item, levelMark, overallId, type Rubric } from '@hand-back/core'

/** What the demo's teacher looks for where students tell how something is done. */
export function demoRubric(makeId: () => string): Rubric {
  const criterion = (label: string, ...words: [string, string, string]) => ({
    id: makeId(),
    label,
    cells: words.map((each, at) => ({ words: each, marks: at * 100 })),
  })
  return {
    name: 'Telling how it is done',
    levels: ['not yet', 'nearly', 'there'],
    criteria: [
      criterion('In order', 'steps are mixed up', 'one step is missing', 'each step comes when it is needed'),
      criterion('The right words', 'this and that', 'some of them', 'end, loop, pull tight, and where'),
      criterion('Clear to hear', 'hard to hear', 'clear at times', 'clear and not too fast'),
    ],
  }
}

/** What one of them is told about the whole of it. */
export function aboutAll(rubric: Rubric, copy: string, index: number): Item[] {
  const levels = rubric.criteria.map((criterion, row) =>
    levelMark(copy, 1, rubric, criterion, (index + row) % 4 === 0 ? 1 : 2),
  )
  const words = 'I could tie it after hearing you. Say next time which end is the short one.'
  return [...levels, { id: overallId(copy, 1), kind: 'overall', words }]
}
