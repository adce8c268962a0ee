import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { pathOperators } from '../formats/pdfInk.ts'
import { choiceRows } from '../kinds/choice.ts'
import { drawnPlot } from '../kinds/plot.ts'
import type { Printed } from '../kinds/printed.ts'
import { drawnPrinted, fitHeight } from '../kinds/printed.ts'
import { wordsArea } from '../kinds/speak.ts'
import { typedArea } from '../kinds/typed.ts'
import { measured } from '../test/measured.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import type { Ruling } from '../worksheet/ruling.ts'
import { axisValues, placeAxes } from './axes.ts'
import type { Drawn } from './drawn.ts'
import { drawnRuling } from './rulings.ts'
import { drawnPage } from './scene.ts'
import { breakLines, drawnText } from './text.ts'

const A4 = { width: 595.28, height: 841.89 }
const AXIS = { from: -5, to: 5, step: 1, label: 'x' }
const colour = '#9fb4c7'
const RULINGS: Ruling[] = [
  { form: 'plain', colour },
  { form: 'ruled', colour, spacing: 8 },
  { form: 'handwriting', colour, height: 6 },
  { form: 'squared', colour, side: 5 },
  { form: 'dotted', colour, side: 5 },
  { form: 'axes', colour, across: AXIS, up: AXIS },
  { form: 'staves', colour, gap: 2 },
  { form: 'number line', colour, from: 0, to: 10, parts: 10, lines: 4 },
  { form: 'clock faces', colour, count: 6 },
  { form: 'fractions', colour, shape: 'circle', parts: 4, count: 6 },
  { form: 'fractions', colour, shape: 'bar', parts: 5, count: 5 },
  { form: 'overlap', colour, circles: 2 },
  { form: 'overlap', colour, circles: 3 },
  { form: 'columns', colour, count: 3 },
  { form: 'timeline', colour, from: 1900, to: 2000, parts: 10 },
]

/** Every place that the paths go through. */
function placesOf(drawn: readonly Drawn[]): { x: number; y: number }[] {
  return drawn.flatMap((one) => {
    if (one.kind !== 'path') return one.kind === 'text' ? [{ x: one.x, y: one.y }] : []
    const numbers = (one.d.match(/-?[\d.]+/g) ?? []).map(Number)
    return Array.from({ length: numbers.length / 2 }, (_, index) => ({
      x: numbers[2 * index]!,
      y: numbers[2 * index + 1]!,
    }))
  })
}

describe('ruled papers', () => {
  test('a page of 200 inches with the finest dots or squares is not more than a tablet can draw', () => {
    const size = { width: 14_400, height: 14_400 }
    for (const form of ['dotted', 'squared'] as const) {
      const drawn = drawnRuling({ form, colour, side: 1 }, size, measured)
      const letters = drawn.reduce((sum, one) => sum + (one.kind === 'path' ? one.d.length : 0), 0)
      expect(letters).toBeGreaterThan(1000)
      expect(letters).toBeLessThan(500_000)
    }
  })

  test('dots stand as far apart as the ruling says', () => {
    const [dots] = drawnRuling({ form: 'dotted', colour, side: 5 }, A4, measured)
    expect(dots).toMatchObject({ kind: 'path', stroke: colour })
    const { dash, width } = dots as Extract<Drawn, { kind: 'path' }>
    expect(dash![0]! + dash![1]!).toBeCloseTo((5 * 72) / 25.4, 5)
    expect(dash![0]).toBe(width)
  })

  test.each(RULINGS.map((ruling) => [ruling.form, ruling] as const))(
    '%s lies on the page at every size',
    (_form, ruling) => {
      for (const size of [
        A4,
        { width: A4.height, height: A4.width },
        { width: 420, height: 595 },
        { width: 960, height: 540 },
      ]) {
        for (const { x, y } of placesOf(drawnRuling(ruling, size, measured))) {
          expect(x).toBeGreaterThanOrEqual(-1)
          expect(x).toBeLessThanOrEqual(size.width + 1)
          expect(y).toBeGreaterThanOrEqual(-1)
          expect(y).toBeLessThanOrEqual(size.height + 1)
        }
      }
    },
  )
  test('5 mm are 5 mm on every page size', () => {
    fc.assert(
      fc.property(fc.integer({ min: 200, max: 2000 }), fc.constantFrom(5, 10), (width, side) => {
        const [one] = drawnRuling({ form: 'squared', colour, side }, { width, height: 800 }, measured)
        const columns = [...new Set(placesOf([one!]).map(({ x }) => x))].sort((a, b) => a - b)
        const apart = columns.slice(1).map((x, index) => x - columns[index]!)
        for (const gap of apart.slice(1, -1)) expect(gap).toBeCloseTo((side * 72) / 25.4, 1)
      }),
    )
  })
  test('a hundred parts of a number line do not write over each other', () => {
    const drawn = drawnRuling(
      { form: 'number line', colour, from: 0, to: 100, parts: 100, lines: 1 },
      A4,
      measured,
    )
    const figures = drawn.filter((one) => one.kind === 'text')
    for (const [index, figure] of figures.slice(1).entries()) {
      const before = figures[index]!
      expect(figure.x - before.x).toBeGreaterThan(measured(before.text, before))
    }
  })
})

describe('breaking lines', () => {
  const lettering = { face: 'reading', size: 10, bold: false } as const
  test('loses no letter, and no line is wider than it may be', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), fc.integer({ min: 5, max: 300 }), (text, width) => {
        const lines = breakLines(text, width, lettering, measured)
        expect(lines.join('').replace(/\s/g, '')).toBe(text.replace(/\s/g, ''))
        for (const line of lines)
          if ([...line].length > 1) expect(measured(line.trimEnd(), lettering)).toBeLessThanOrEqual(width)
      }),
    )
  })
  test('breaks between words, and in a word that is too long', () => {
    expect(breakLines('the tide turns', 45, lettering, measured)).toEqual(['the tide', 'turns'])
    expect(breakLines('Saltmarshharbour', 45, lettering, measured)).toEqual(['Saltmarsh', 'harbour'])
  })
  test('a list has its signs', () => {
    const style = { ...lettering, colour: '#1e2b3a', list: 'numbers' } as const
    const { drawn } = drawnText('ebb\nflow', { x: 0, y: 0, width: 100, height: 0 }, style, measured)
    expect(drawn.map((one) => one.kind === 'text' && one.text)).toEqual(['1.', 'ebb', '2.', 'flow'])
  })
})

const plot = (formula: string, more: Partial<Printed<'plot'>> = {}): Printed<'plot'> => ({
  id: crypto.randomUUID(),
  kind: 'plot',
  x: 50,
  y: 60,
  width: 240,
  height: 200,
  across: AXIS,
  up: AXIS,
  grid: true,
  curves: [{ formula, colour: '#2457a6' }],
  parameters: [],
  ...more,
})
const curveOf = (item: Printed<'plot'>, slid = {}) =>
  drawnPlot(item, slid, measured).filter((one) => one.kind === 'path' && one.stroke === '#2457a6')

describe('plots', () => {
  test('a curve lies where its axes say, within their field', () => {
    const item = plot('x + 1')
    const { field, x, y } = placeAxes(item, item, measured)
    const places = placesOf(curveOf(item))
    expect(places.length).toBeGreaterThan(50)
    for (const at of places) {
      expect(at.x).toBeGreaterThanOrEqual(field.x - 0.01)
      expect(at.y).toBeGreaterThanOrEqual(field.y - 0.01)
      const value = -5 + ((at.x - field.x) / field.width) * 10
      expect(at.y).toBeCloseTo(y(value + 1), 0)
    }
    expect(x(5)).toBeCloseTo(field.x + field.width, 6)
  })
  test('1/x is two branches that do not meet', () => {
    const d = (curveOf(plot('1/x'))[0] as { d: string }).d
    expect(d.match(/M/g)).toHaveLength(2)
  })
  test('1/0, the root of what is below nought, and what cannot be read draw nothing and break nothing', () => {
    for (const formula of ['1/0', 'sqrt(-1-x^2)', 'x +', '']) expect(curveOf(plot(formula))).toEqual([])
  })
  test('a slid parameter moves the curve', () => {
    const item = plot('a', { parameters: [{ name: 'a', value: 1, from: -5, to: 5, open: true }] })
    const { y } = placeAxes(item, item, measured)
    expect(placesOf(curveOf(item))[0]!.y).toBeCloseTo(y(1), 1)
    expect(placesOf(curveOf(item, { a: -3 }))[0]!.y).toBeCloseTo(y(-3), 1)
  })
  test('axis lines are whole steps', () => {
    expect(axisValues({ from: -1.5, to: 1.6, step: 0.5, label: '' })).toEqual([
      -1.5, -1, -0.5, 0, 0.5, 1, 1.5,
    ])
    expect(axisValues({ from: 0, to: 0.3, step: 0.1, label: '' })).toHaveLength(4)
  })
})

const typed: Printed<'typed'> = {
  id: crypto.randomUUID(),
  kind: 'typed',
  x: 100,
  y: 100,
  width: 120,
  height: 22,
  label: 'in cm',
  takes: 'number',
  size: 12,
}
const choice: Printed<'choice'> = {
  id: crypto.randomUUID(),
  kind: 'choice',
  x: 100,
  y: 200,
  width: 200,
  height: 60,
  label: 'When?',
  options: ['ebb', 'flow'].map((text) => ({ id: crypto.randomUUID(), text })),
  many: false,
  across: false,
  size: 12,
}

describe('answers on the page', () => {
  const page: WorksheetPage = {
    id: crypto.randomUUID(),
    ...A4,
    paper: { kind: 'ruled', ruling: { form: 'plain', colour } },
    printed: [typed, choice],
  }
  test('what is typed stands in its box beside the label', () => {
    const items = [
      { id: crypto.randomUUID(), kind: 'answer', place: typed.id, value: { text: '450' } },
    ] as const
    const drawn = drawnPage(page, items, crypto.randomUUID(), measured)
    const [one] = drawn.filter((each) => each.kind === 'text' && each.text === '450')
    const area = typedArea(typed, measured)
    expect(one).toMatchObject({ x: area.x, size: 12 })
    expect(area.x).toBeGreaterThan(typed.x + measured('in cm', { face: 'plain', size: 8, bold: false }))
  })
  test('what is typed where one may speak stands beside a note, or under it where there is room, within its place', () => {
    for (const height of [40, 60, 110, 200]) {
      const speak = { ...typed, kind: 'speak', label: 'Tell how', width: 300, height } as Printed<'speak'>
      const area = wordsArea(speak, measured)
      expect(area.x).toBeGreaterThan(speak.x)
      expect(area.y).toBeGreaterThan(speak.y)
      expect(area.x + area.width).toBeLessThan(speak.x + speak.width)
      expect(area.y + area.height).toBeLessThan(speak.y + height)
      expect(area.x > speak.x + 90 || area.y > speak.y + 50).toBe(true)
      const answer = {
        id: crypto.randomUUID(),
        kind: 'answer',
        place: speak.id,
        value: { text: 'ebb' },
      } as const
      const drawn = drawnPage({ ...page, printed: [speak] }, [answer], crypto.randomUUID(), measured)
      expect(drawn.find((each) => each.kind === 'text' && each.text === 'ebb')).toMatchObject({ x: area.x })
    }
  })
  test('a chosen option has one sign more', () => {
    const count = (options: string[]) =>
      drawnPage(
        page,
        [{ id: crypto.randomUUID(), kind: 'answer', place: choice.id, value: { options } }],
        crypto.randomUUID(),
        measured,
      ).length
    expect(count([choice.options[0]!.id]) - count([])).toBe(1)
    expect(count([crypto.randomUUID()])).toBe(count([]))
  })
  test('options lie one under another, or side by side, and never over each other', () => {
    for (const across of [false, true]) {
      const [a, b] = choiceRows({ ...choice, across }, measured)
      if (across) expect(b!.box.x).toBeGreaterThanOrEqual(a!.box.x + a!.box.width - 0.01)
      else expect(b!.box.y).toBeGreaterThanOrEqual(a!.box.y + a!.box.height - 0.01)
    }
    const fitted = fitHeight({ ...choice, height: 1 }, measured)
    const last = choiceRows(fitted, measured).at(-1)!
    expect(fitted.y + fitted.height).toBeCloseTo(last.box.y + last.box.height, 6)
  })
  test('every kind draws something, and nothing depends on who looks', () => {
    for (const item of [typed, choice, plot('x')]) {
      expect(drawnPrinted(item, measured).length).toBeGreaterThan(0)
      expect(drawnPrinted(item, measured)).toEqual(drawnPrinted(item, measured))
    }
  })
})

test('a path in PDF has a cubic for each quadratic and ends where it ended', () => {
  expect(pathOperators('M0 0Q3 6 6 0L9 0Z')).toBe('0 0 m\n2 4 4 4 6 0 c\n9 0 l\nh')
})
