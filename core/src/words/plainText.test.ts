import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { isPlain, plain, plainText, plainThroughout } from './plainText.ts'

const anyText = fc.string({ unit: fc.constantFrom('a', 'é', '\u0000', '\ud800', '\udc00', '😀', '\n') })

test('what was made plain is plain, and what is plain stays as it is', () => {
  fc.assert(
    fc.property(anyText, (text) => {
      const kept = plain(text)
      expect(isPlain(kept)).toBe(true)
      expect(plain(kept)).toBe(kept)
      if (isPlain(text)) expect(kept).toBe(text)
      expect(plainText().safeParse(text).success).toBe(isPlain(text))
      // What PostgreSQL is sent as JSON and gets back is the same.
      expect(JSON.parse(Buffer.from(JSON.stringify(kept)).toString('utf8'))).toBe(kept)
    }),
  )
})

test('texts are made plain wherever they are, and all else stays the same object', () => {
  const fine = { a: ['b', 1, null], c: { d: 'e' } }
  expect(plainThroughout(fine)).toBe(fine)
  expect(plainThroughout({ a: ['x\u0000y', { b: '\ud800' }], n: 3 })).toEqual({
    a: ['xy', { b: '\ufffd' }],
    n: 3,
  })
})
