import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { inkPoints } from '../test/arbitrary.ts'
import { fromBase64, toBase64 } from './base64.ts'
import { countPoints, MOST_POINTS, NotInk, packPoints, unpackPoints } from './pack.ts'
import type { InkPoint } from './points.ts'

describe('packed ink', () => {
  test('gives every point back to 1/200 pt, 1/510 of pressure and half a millisecond', () => {
    fc.assert(
      fc.property(inkPoints, (points) => {
        const back = unpackPoints(packPoints(points))
        expect(back).toHaveLength(points.length)
        points.forEach((point, index) => {
          const got = back[index]!
          expect(Math.abs(got.x - point.x)).toBeLessThanOrEqual(0.0050001)
          expect(Math.abs(got.y - point.y)).toBeLessThanOrEqual(0.0050001)
          expect(Math.abs(got.pressure - point.pressure)).toBeLessThanOrEqual(1 / 510 + 1e-9)
          expect(got.time).toBe(point.time)
        })
      }),
    )
  })

  test('packed again is the same bytes', () => {
    fc.assert(
      fc.property(inkPoints, (points) => {
        const bytes = packPoints(points)
        expect(packPoints(unpackPoints(bytes))).toEqual(bytes)
        expect(countPoints(bytes)).toBe(points.length)
      }),
    )
  })

  test('cut short or with bytes added is refused, never misread', () => {
    fc.assert(
      fc.property(
        inkPoints.filter((points) => points.length > 0),
        fc.nat(),
        (points, cut) => {
          const bytes = packPoints(points)
          expect(() => unpackPoints(bytes.subarray(0, cut % bytes.length))).toThrow(NotInk)
          expect(() => unpackPoints(Uint8Array.from([...bytes, 0]))).toThrow(NotInk)
        },
      ),
    )
  })

  test('any bytes either are ink or are refused', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 60 }), (noise) => {
        try {
          for (const point of unpackPoints(Uint8Array.from([1, ...noise]))) {
            expect(Number.isFinite(point.x) && point.pressure >= 0 && point.pressure <= 1).toBe(true)
          }
        } catch (error) {
          expect(error).toBeInstanceOf(NotInk)
        }
      }),
    )
  })

  test('handwriting at 120 Hz takes at most six bytes a point', () => {
    const loops: InkPoint[] = Array.from({ length: 400 }, (_, index) => {
      const at = index / 12
      return {
        x: 80 + index * 0.35 + 5 * Math.sin(at) + 0.2 * Math.sin(at * 9.1),
        y: 200 + 8 * Math.cos(at * 1.3) + 0.2 * Math.cos(at * 7.7),
        pressure: 0.55 + 0.25 * Math.sin(at * 0.7),
        time: Math.round((index * 1000) / 120),
      }
    })
    expect(packPoints(loops).length / loops.length).toBeLessThanOrEqual(6)
  })

  test('numbers that are no numbers and too many points do not get in', () => {
    expect(unpackPoints(packPoints([{ x: Number.NaN, y: 1e12, pressure: 7, time: -3 }]))).toEqual([
      { x: 0, y: 100_000, pressure: 1, time: 0 },
    ])
    const endless = { length: MOST_POINTS + 1, forEach: () => {} } as unknown as InkPoint[]
    expect(() => packPoints(endless)).toThrow(NotInk)
  })
})

test('base64 gives the bytes back and agrees with Node', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 100 }), (bytes) => {
      expect(toBase64(bytes)).toBe(Buffer.from(bytes).toString('base64'))
      expect(fromBase64(toBase64(bytes))).toEqual(bytes)
    }),
  )
  for (const wrong of ['abc', 'a=bc', 'ab*d', 'ab\u00e4d', '====x==='])
    expect(() => fromBase64(wrong)).toThrow(RangeError)
})
