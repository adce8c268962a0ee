import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { CHUNK_BYTES, chunkAfter, readChunk, sayChunk } from './attachments.ts'

test('chunks one after the other are all of it, each read as it was said', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 9 * CHUNK_BYTES }), (size) => {
      let arrived = 0
      while (arrived < size) {
        const chunk = chunkAfter(arrived, size)
        expect(readChunk(sayChunk(chunk))).toEqual(chunk)
        arrived = chunk.to + 1
      }
      expect(arrived).toBe(size)
    }),
  )
})

test.each([
  ['', 'nothing'],
  ['bytes 0-9/*', 'no size'],
  ['bytes 1-10/11', 'does not begin where a chunk begins'],
  ['bytes 0-9/11', 'ends before its end'],
  [`bytes 0-${CHUNK_BYTES}/${2 * CHUNK_BYTES}`, 'too long'],
  ['bytes 0-0/0', 'nothing of nothing'],
  ['bytes 0-9999999999/99999999999', 'numbers without end'],
])('“%s” is no chunk: %s', (header) => {
  expect(readChunk(header)).toBeUndefined()
})
