import { describe, expect, test } from '@jest/globals'
import type { Corners } from '../photo/homography.ts'
import { greyOf } from '../photo/pixels.ts'
import { A4, type Print, printedPage, type Taking, takenPhoto, writeOver } from '../test/madeSheets.ts'
import { seeded } from '../test/seeded.ts'
import { placeSheet } from './placeSheet.ts'
import { seeSheet } from './seeSheet.ts'

const CODE = { copy: '7d1f3c52-9a0b-4e6d-8f21-0c5b7a9e4d13', page: '00000000-0000-4000-8000-000000000001' }
/** Dots an inch: of a sheet that is photographed, and of the page with which it is compared. */
const [DOTS, COMPARED] = [160, 100]

const comparable = (print: Print) => greyOf(printedPage(print, CODE, COMPARED, seeded(2)), 4000)

/** A photo of a sheet that was written on, taken in some way. */
function taken(print: Print, way: Partial<Taking>) {
  const chance = seeded(5)
  const sheet = printedPage(print, CODE, DOTS, seeded(2))
  writeOver(sheet, DOTS, 20, chance)
  const usual = { turned: 0, askew: 0, dim: 0.7, thumb: false, cut: 0, onWhite: false, chance }
  return takenPhoto(sheet, { ...usual, ...way })
}

/** The worst corner, in millimetres. */
function offBy(found: Corners, truth: Corners): number {
  const wide = Math.hypot(truth[1].x - truth[0].x, truth[1].y - truth[0].y)
  return (
    Math.max(...found.map(({ x, y }, at) => Math.hypot(x - truth[at]!.x, y - truth[at]!.y))) * (210 / wide)
  )
}

describe('a sheet is laid on its page by what is printed on it', () => {
  test('dim, askew and upside down, to half a millimetre', () => {
    const { photo, corners } = taken('words', { turned: 184, askew: 0.1, dim: 0.4 })
    const seen = seeSheet(photo)
    expect(seen.code?.code).toEqual(CODE)
    const { corners: laid, agrees } = placeSheet(photo, seen, comparable('words'), A4)
    expect(agrees).toBe(true)
    expect(offBy(laid, corners)).toBeLessThan(0.5)
  })

  test('without its edges: cut off by the photo’s edge, on squared paper', () => {
    const { photo, corners } = taken('squared', { cut: -0.12, turned: 3 })
    const { corners: laid, agrees } = placeSheet(photo, seeSheet(photo), comparable('squared'), A4)
    expect(agrees).toBe(true)
    expect(offBy(laid, corners)).toBeLessThan(1.5)
  })

  test('a page of which nothing else is printed: by its edges and its code', () => {
    const { photo, corners } = taken('blank', { turned: 6 })
    const { corners: laid, agrees } = placeSheet(photo, seeSheet(photo), comparable('blank'), A4)
    expect(agrees).toBe(true)
    expect(offBy(laid, corners)).toBeLessThan(1.5)
  })

  test('what is not printed as the code says is left to a person', () => {
    const { photo } = taken('words', { turned: 2 })
    expect(placeSheet(photo, seeSheet(photo), comparable('table'), A4).agrees).toBe(false)
  })
})
