import { type Corners, greyOf, placeSheet, seeSheet } from '@hand-back/core'
import {
  A4,
  PRINTS,
  printedPage,
  type Taking,
  takenPhoto,
  writeOver,
} from '@hand-back/core/test/madeSheets.ts'
import { seeded } from '@hand-back/core/test/seeded.ts'

/** Dots an inch of what is printed, and of the page as it is compared. */
const DOTS = 200
const COMPARED = 110

/** What became of a made-up photo of a sheet. */
export interface Read {
  readonly what: string
  /** Right: laid within 1.5 mm; off: laid beside; asked: left to a person; wrong: laid in the wrong copy or on the wrong page. */
  readonly fate: 'right' | 'off' | 'asked' | 'wrong'
  /** How far a corner lies off, in millimetres. */
  readonly off: number
  readonly seconds: number
}

const WAYS: readonly [string, Partial<Taking>][] = [
  ['straight', {}],
  ['crooked', { turned: 7 }],
  ['askew', { askew: 0.16, turned: -5 }],
  ['upside down', { turned: 183, askew: 0.06 }],
  ['on its side', { turned: 88 }],
  ['dim', { dim: 0.35, turned: 4 }],
  ['a thumb', { thumb: true, turned: -3, askew: 0.05 }],
  ['cut off', { cut: -0.12, turned: 2 }],
  ['on white', { onWhite: true, turned: 5 }],
  ['on white, askew', { onWhite: true, turned: -4, askew: 0.1 }],
]

/** Reads made-up photos of every print in every way. */
export function* readMadeSheets(seed: number): Generator<Read> {
  for (const [index, print] of PRINTS.entries())
    for (const [name, way] of WAYS) {
      const chance = seeded(seed + index * 100 + WAYS.findIndex(([each]) => each === name))
      const code = { copy: idBy(chance), page: idBy(chance) }
      const words = seeded(index + 1)
      const sheet = printedPage(print, code, DOTS, words)
      const printed = greyOf(printedPage(print, code, COMPARED, seeded(index + 1)), 4000)
      writeOver(sheet, DOTS, 25, chance)
      const usual = { turned: 0, askew: 0, dim: 0.75, thumb: false, cut: 0, onWhite: false }
      const { photo, corners } = takenPhoto(sheet, { ...usual, ...way, chance })
      const began = performance.now()
      const seen = seeSheet(photo)
      const right = seen.code?.code.copy === code.copy && seen.code.code.page === code.page
      const placed = right ? placeSheet(photo, seen, printed, A4) : undefined
      const seconds = (performance.now() - began) / 1000
      const off = placed ? offBy(placed.corners, corners) : Number.NaN
      const fate = seen.code && !right ? 'wrong' : !placed?.agrees ? 'asked' : off <= 1.5 ? 'right' : 'off'
      yield { what: `${print}, ${name}`, fate, off, seconds }
    }
}

/** The worst corner, in millimetres of a sheet that is 210 wide. */
function offBy(found: Corners, truth: Corners): number {
  const wide = Math.hypot(truth[1].x - truth[0].x, truth[1].y - truth[0].y)
  return (
    Math.max(...found.map(({ x, y }, at) => Math.hypot(x - truth[at]!.x, y - truth[at]!.y))) * (210 / wide)
  )
}

const idBy = (chance: () => number): string =>
  '00000000-0000-4000-8000-000000000000'.replace(/0/g, () => Math.floor(chance() * 16).toString(16))
