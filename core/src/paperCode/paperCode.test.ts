import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { evenLight } from '../photo/evenLight.ts'
import { findSheet } from '../photo/findSheet.ts'
import { straighten } from '../photo/straighten.ts'
import { paintCode } from '../test/paintedCode.ts'
import { photographed } from '../test/photographed.ts'
import { Picture } from '../test/pictureOf.ts'
import { seeded } from '../test/seeded.ts'
import { findCode } from './findCode.ts'
import { readPageCode, writePageCode } from './pageCode.ts'

const CODE = { copy: '7d1f3c52-9a0b-4e6d-8f21-0c5b7a9e4d13', page: '00000000-0000-4000-8000-000000000001' }

/** A4 at so many dots an inch, with a code. */
function sheet(dots = 110): Picture {
  const page = new Picture(Math.round((210 / 25.4) * dots), Math.round((297 / 25.4) * dots))
  paintCode(page, CODE, dots / 72)
  return page
}

describe('the code of a page', () => {
  test('what is written is read, and nothing else', () => {
    fc.assert(
      fc.property(fc.uuid(), fc.uuid(), (copy, page) => {
        expect(readPageCode(writePageCode({ copy, page }))).toEqual({ copy, page })
        expect(writePageCode({ copy, page })).toMatch(/^[0-9A-Z]{52}$/)
      }),
    )
    fc.assert(fc.property(fc.string(), (letters) => expect(readPageCode(letters)).toBeUndefined()))
    expect(readPageCode(`HB${'Z'.repeat(50)}`)).toBeUndefined()
  })

  test('it is found on a sheet, whichever way the sheet lies', () => {
    const upright = sheet()
    const found = findCode(upright)!
    expect(found).toMatchObject({ code: CODE })
    // 7 mm from both edges, 18 mm large.
    const middle = ((7 + 9) / 25.4) * 110
    const half = ((18 / 25.4) * 110) / 2
    const corners = [
      [-half, -half],
      [half, -half],
      [half, half],
      [-half, half],
    ] as const
    for (const [at, [x, y]] of corners.entries()) {
      expect(found.at[at]!.x).toBeCloseTo(909 - middle + x, -0.6)
      expect(found.at[at]!.y).toBeCloseTo(1286 - middle + y, -0.6)
    }
    const over = new Picture(909, 1286)
    for (let at = 0; at < 909 * 1286; at++)
      over.data.set(upright.data.subarray(at * 4, at * 4 + 4), (909 * 1286 - 1 - at) * 4)
    const turned = findCode(over)!
    expect(turned.code).toEqual(CODE)
    expect(turned.at[0].x).toBeCloseTo(middle + half, -0.6)
    expect(turned.at[2].y).toBeCloseTo(middle - half, -0.6)
    expect(findCode(new Picture(300, 400))).toBeUndefined()
  })

  test('it is read on a crooked, dim photo of the sheet', () => {
    const photo = photographed(sheet(150), {
      ...{ width: 1800, height: 2400, table: [90, 80, 70], light: [0.5, 0.85], noise: 8, chance: seeded(9) },
      corners: [
        { x: 240, y: 285 },
        { x: 1530, y: 225 },
        { x: 1620, y: 2130 },
        { x: 165, y: 2175 },
      ],
    })
    const flat = straighten(photo, findSheet(photo)!, 1654, 2339)!
    evenLight(flat)
    expect(findCode(flat)).toMatchObject({ code: CODE })
  })
})
