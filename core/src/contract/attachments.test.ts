import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { PIECE_BYTES, pieceAfter, readPiece, sayPiece } from './attachments.ts'

test('pieces one after the other are all of it, each read as it was said', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 9 * PIECE_BYTES }), (size) => {
      let arrived = 0
      while (arrived < size) {
        const piece = pieceAfter(arrived, size)
        expect(readPiece(sayPiece(piece))).toEqual(piece)
        arrived = piece.to + 1
      }
      expect(arrived).toBe(size)
    }),
  )
})

test.each([
  ['', 'nothing'],
  ['bytes 0-9/*', 'no size'],
  ['bytes 1-10/11', 'does not begin where a piece begins'],
  ['bytes 0-9/11', 'ends before its end'],
  [`bytes 0-${PIECE_BYTES}/${2 * PIECE_BYTES}`, 'too long'],
  ['bytes 0-0/0', 'nothing of nothing'],
  ['bytes 0-9999999999/99999999999', 'numbers without end'],
])('“%s” is no piece: %s', (header) => {
  expect(readPiece(header)).toBeUndefined()
})
