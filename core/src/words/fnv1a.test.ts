import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { fnv1a } from './fnv1a.ts'

test('is FNV-1a: the published values of its authors', () => {
  expect(fnv1a('')).toBe(0x811c9dc5)
  expect(fnv1a('a')).toBe(0xe40c292c)
  expect(fnv1a('foobar')).toBe(0xbf9cf968)
})

test('another basis, another number; always 32 bits without a sign', () => {
  fc.assert(
    fc.property(fc.string({ minLength: 1 }), fc.integer(), (text, basis) => {
      const hash = fnv1a(text, basis)
      expect(hash).toBe(fnv1a(text, basis))
      expect(Number.isInteger(hash) && hash >= 0 && hash < 2 ** 32).toBe(true)
      // Every step can be undone, so two bases never meet.
      expect(fnv1a(text, basis ^ 1)).not.toBe(hash)
    }),
  )
})
