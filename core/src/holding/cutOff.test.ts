import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Printed } from '../kinds/printed.ts'
import { cutOff, cutsOf, type PictureSide } from './cutOff.ts'

const PICTURE: Printed<'picture'> = {
  id: '00000000-0000-4000-8000-000000000001',
  kind: 'picture',
  file: 'a'.repeat(64),
  alt: '',
  crop: { x: 0, y: 0, width: 1, height: 1 },
  x: 100,
  y: 200,
  width: 300,
  height: 150,
}
const side = fc.constantFrom<PictureSide>('left', 'right', 'top', 'bottom')
const cuts = fc.array(fc.tuple(side, fc.double({ min: 0, max: 1, noNaN: true })), { maxLength: 8 })
const cutAll = (all: readonly (readonly [PictureSide, number])[]) =>
  all.reduce((picture, [at, part]) => cutOff(picture, at, part), PICTURE)

test('what is left keeps its scale and its place, whatever was cut before', () => {
  fc.assert(
    fc.property(cuts, (all) => {
      const { x, y, width, height, crop } = cutAll(all)
      expect(x).toBeCloseTo(100 + crop.x * 300)
      expect(y).toBeCloseTo(200 + crop.y * 150)
      expect(width).toBeCloseTo(crop.width * 300)
      expect(height).toBeCloseTo(crop.height * 150)
    }),
  )
})

test('a cut can be taken back, and something is always left', () => {
  fc.assert(
    fc.property(cuts, (all) => {
      const cut = cutAll(all)
      expect(Math.min(cut.width, cut.height)).toBeGreaterThan(0)
      const back = (['left', 'right', 'top', 'bottom'] as const).reduce(
        (picture, at) => cutOff(picture, at, 0),
        cut,
      )
      expect(Object.values(cutsOf(back)).every((part) => Math.abs(part) < 1e-9)).toBe(true)
      expect(back.x).toBeCloseTo(PICTURE.x)
      expect(back.height).toBeCloseTo(PICTURE.height)
    }),
  )
})
