import { expect, test } from '@jest/globals'
import { onWanted, sayDone, sayLasting, saySentence, showNotices } from './notices.ts'

test('what is said before there is anything to show it waits, and comes in order; undoing comes along', () => {
  let undone = 0
  const asked: string[] = []
  saySentence('first')
  onWanted(() => asked.push('now'))
  sayDone('second', () => undone++)
  expect(asked).toEqual(['now', 'now'])
  const shown: string[] = []
  showNotices((sentence, how) => {
    shown.push(sentence)
    how?.action?.onClick()
  })
  expect(shown).toEqual(['first', 'second'])
  expect(undone).toBe(1)
  sayLasting('third')
  expect(shown).toEqual(['first', 'second', 'third'])
})
