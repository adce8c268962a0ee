import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { watchedWords, wordsFound } from './watched.ts'

test.each([
  ['That is Silly!', ['silly']],
  ['SÍLLY, really', ['silly']],
  ['you are soooo sillllly', []],
  ['you are sillyyyy', ['silly']],
  ['silliness', []],
  ['go -- away', ['go away']],
  ['go and stay away', []],
  ['ﬁne', ['fine']],
])('in “%s” these are found: %j', (text, found) => {
  expect(wordsFound(text, ['silly', 'go away', 'fine'])).toEqual(found)
})

test('a list with nothing but signs in it finds nothing', () => {
  expect(wordsFound('?! what', ['?!', '…'])).toEqual([])
  expect(watchedWords.safeParse([' ']).success).toBe(false)
})

const word = fc.stringMatching(/^[a-z]{2,8}$/)
test('a word is found wherever it stands, however it is written, and with it nothing that is not there', () => {
  fc.assert(
    fc.property(fc.array(word, { minLength: 1, maxLength: 6 }), fc.nat(5), word, (words, at, other) => {
      const index = at % words.length
      const said = words.map((each, place) => (place === index ? each.toUpperCase() : each)).join(', ')
      expect(wordsFound(said, [words[index]!])).toEqual([words[index]])
      const isThere = wordsFound(said, [other]).length > 0
      const found = words.some((each) => wordsFound(each, [other]).length > 0)
      expect(isThere).toBe(found)
    }),
  )
})
