import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { pathBounds } from '../test/pathBounds.ts'
import { drawnItem, item } from './items.ts'
import { SIGN_FORMS, signAlong } from './sign.ts'

const page = { width: 595, height: 842 }
const id = '00000000-0000-4000-8000-000000000009'
const measure = (text: string, { size }: { size: number }) => text.length * size * 0.5
const place = fc.record({
  x: fc.double({ min: -50, max: 700, noNaN: true }),
  y: fc.double({ min: -50, max: 900, noNaN: true }),
})

test('wherever it is put, a sign is whole on the page, and all that is drawn of it lies in its box', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...SIGN_FORMS),
      fc.array(place, { minLength: 1, maxLength: 20 }),
      (form, way) => {
        const sign = { ...signAlong(form, way, page, 1, 0), id }
        expect(item.safeParse(sign).success).toBe(true)
        expect(sign.x).toBeGreaterThanOrEqual(0)
        expect(sign.x + Math.min(sign.width, page.width)).toBeLessThanOrEqual(page.width + 1e-6)
        expect(sign.y + sign.height).toBeLessThanOrEqual(page.height + 1e-6)
        const drawn = drawnItem(sign, measure)
        expect(drawn.length).toBeGreaterThan(0)
        for (const part of drawn) {
          if (part.kind !== 'path') continue
          const { x0, y0, x1, y1 } = pathBounds(part.d)
          expect(x0).toBeGreaterThanOrEqual(sign.x - sign.width * 0.1 - 0.02)
          expect(x1).toBeLessThanOrEqual(sign.x + sign.width * 1.1 + 0.02)
          expect(y0).toBeGreaterThanOrEqual(sign.y - sign.height * 0.1 - 0.02)
          expect(y1).toBeLessThanOrEqual(sign.y + sign.height * 1.1 + 0.02)
        }
      },
    ),
  )
})

test('a wave goes under all that was gone round, from its left to its right', () => {
  const round = [
    { x: 100, y: 200 },
    { x: 260, y: 190 },
    { x: 270, y: 240 },
    { x: 90, y: 235 },
  ]
  const wave = signAlong('wave', round, page, 1, 0)
  expect([wave.x, wave.width]).toEqual([90, 180])
  expect(wave.y).toBe(240)
})

test('a sign that gives no marks says nothing of marks', () => {
  expect(signAlong('tick', [{ x: 10, y: 10 }], page, 1, 0)).not.toHaveProperty('carries')
  expect(signAlong('tick', [{ x: 10, y: 10 }], page, 1, 50).carries).toBe(50)
})
