import { expect, test } from '@jest/globals'
import { Problem } from './ask.ts'
import { Backoff } from './backoff.ts'
import { meaningOf } from './meaning.ts'

test.each([
  [0, 'again'],
  [401, 'again'],
  [409, 'again'],
  [429, 'again'],
  [500, 'again'],
  [503, 'again'],
  [404, 'wait'],
  [410, 'wait'],
  [412, 'wait'],
  [423, 'wait'],
  [400, 'never'],
  [413, 'never'],
  [422, 'never'],
])('an answer of %i means: %s', (status, meaning) => {
  expect(meaningOf(new Problem('No.', status))).toBe(meaning)
})

test('what is no answer at all is sent again', () => {
  expect(meaningOf(new TypeError('Failed to fetch'))).toBe('again')
})

test('pauses double up to the longest, and are short again after a success', () => {
  const backoff = new Backoff(250, 1500)
  expect([1, 2, 3, 4, 5].map(() => backoff.next())).toEqual([250, 500, 1000, 1500, 1500])
  backoff.reset()
  expect(backoff.next()).toBe(250)
})
