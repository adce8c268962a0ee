import { expect, test } from '@jest/globals'
import {
  addCriterion,
  addLevel,
  changeCriterion,
  missing,
  newRubric,
  takeCriterion,
  takeLevel,
} from './rubricEdits.ts'

const named = () => {
  const fresh = { ...newRubric(), name: 'Telling how' }
  return changeCriterion(fresh, fresh.criteria[0]!.id, (each) => ({ ...each, label: 'Says why' }))
}

test('a new rubric says what it lacks until nothing is missing', () => {
  expect(missing(newRubric())).toBe('Give it a name.')
  expect(missing({ ...newRubric(), name: 'Telling how' })).toBe('Give each criterion a name.')
  expect(missing(named())).toBeUndefined()
  expect(missing(addLevel(named()))).toBe('Give each level a name.')
})

test('levels and criteria come and go in all rows at once; another criterion is worth what the last one is', () => {
  const wide = addCriterion(addLevel(named()))
  expect(wide.criteria.map(({ cells }) => cells.map(({ marks }) => marks))).toEqual([
    [0, 100, 200, 300],
    [0, 100, 200, 300],
  ])
  const narrow = takeLevel(wide, 1)
  expect(narrow.levels).toEqual(['not yet', 'there', ''])
  expect(narrow.criteria.map(({ cells }) => cells.map(({ marks }) => marks))).toEqual([
    [0, 200, 300],
    [0, 200, 300],
  ])
  expect(takeCriterion(narrow, narrow.criteria[0]!.id).criteria).toHaveLength(1)
})

test('it grows to eight levels and fifty criteria, and no further', () => {
  let many = named()
  for (let time = 0; time < 60; time++) many = addCriterion(addLevel(many))
  expect(many.levels).toHaveLength(8)
  expect(many.criteria).toHaveLength(50)
})
