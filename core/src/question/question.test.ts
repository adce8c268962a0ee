import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { answerId } from '../answers/answers.ts'
import type { Item } from '../kinds/items.ts'
import { blankItem } from '../kinds/printed.ts'
import { idOf } from '../test/arbitrary.ts'
import { write } from '../test/handwriting.ts'
import { madeHand } from '../test/madeHands.ts'
import { type Box, within } from '../worksheet/box.ts'
import { isRight, lenientKey, sameAs, type TypedKey } from '../worksheet/key.ts'
import { PageMaker } from '../worksheet/maker.ts'
import { answered } from './answered.ts'
import { cutOf } from './cut.ts'
import { areasOn } from './placesOf.ts'

let made = 100
const make = new PageMaker(() => idOf(made++))
const box = (y: number) => ({ x: 60, y, width: 120, height: 24 })
const height = make.typed(box(100), 'height', 'line')
const drop = make.drop(box(200), 'rocks')
const pick = {
  ...blankItem('choice', box(150), () => idOf(made++)),
  options: ['Ebb', 'Flood'].map((text) => ({ id: idOf(made++), text })),
}
const [limpet, goby] = [make.card(box(500), 'limpet'), make.card(box(540), 'goby')]
const page = make.page({ form: 'plain', colour: '#9fb4c7' }, [height, pick, drop, limpet, goby])
const other = make.page({ form: 'plain', colour: '#9fb4c7' }, [])
const area = { x: 40, y: 90, width: 300, height: 160 }
const question = { areas: [{ page: page.id, ...area }] }

/** What a copy has, of what its student put on the page. */
const of = (copy: number, items: (id: string) => Item[], keys = {}) =>
  answered(question, idOf(copy), [page, other], (on) => (on === page.id ? items(idOf(copy)) : []), keys)
const value = (place: string, to: object) => (copy: string) =>
  ({ id: answerId(copy, place), kind: 'answer', place, value: to }) as Item
const typed = (text: string) => (copy: string) => [value(height.id, { text })(copy)]
const laid = (card: string, x: number, y: number) => (copy: string) =>
  ({ id: answerId(copy, card), kind: 'card', card, x, y }) as Item
const ink = (text: string, x: number, y: number) =>
  write(
    madeHand(4, () => idOf(made++)),
    text,
    { x, y },
  )

describe('answers that are equal', () => {
  test.each([
    ['1/2', '0.5'],
    ['4.5 m', '4,50 m'],
    ['Half past  six', 'half past six'],
    ['1 000', '1000'],
    ['50 %', '1/2'],
  ])('%s is the same answer as %s', (a, b) => {
    expect(of(1, typed(a)).same).toBe(of(2, typed(b)).same)
  })

  test.each([
    ['1 1/2', '11/2'],
    ['4.5 m', '4.5'],
    ['4.5 m', '4.5 cm'],
    ['high', 'low'],
  ])('%s is another answer than %s', (a, b) => {
    expect(of(1, typed(a)).same).not.toBe(of(2, typed(b)).same)
  })

  test('the key says what counts: capitals, where it says that they do', () => {
    const strict = { [height.id]: { ...lenientKey(['Ebb']), ignoreCase: false } }
    expect(of(1, typed('Ebb'), strict).same).not.toBe(of(2, typed('ebb'), strict).same)
    expect(of(1, typed('Ebb')).same).toBe(of(2, typed('ebb')).same)
  })

  test('what was ticked, and which cards lie in a place, in whatever order', () => {
    const [a, b] = pick.options.map(({ id }) => id)
    const ticked = (...options: (string | undefined)[]) =>
      of(1, (copy) => [value(pick.id, { options })(copy)])
    expect(ticked(a, b).same).toBe(ticked(b, a).same)
    expect(ticked(a).same).not.toBe(ticked(b).same)
    expect(ticked(a).words).toBe('Ebb')
    const both = of(3, (copy) => [laid(limpet.id, 62, 201)(copy), laid(goby.id, 64, 201)(copy)])
    const turned = of(4, (copy) => [laid(goby.id, 61, 202)(copy), laid(limpet.id, 66, 201)(copy)])
    expect(both).toEqual(turned)
    expect(both).toMatchObject({ words: 'limpet, goby', besides: [] })
  })

  test('nothing answered is empty, for everybody alike', () => {
    expect(of(1, () => [])).toEqual({ same: '', words: '', besides: [] })
    expect(of(2, typed('   '))).toEqual(of(1, () => []))
  })

  test('ink in the area is told apart, elsewhere it is nothing to the question', () => {
    const written = ink('4.5 m', 100, 130)
    expect(of(1, () => written).besides).toEqual(written)
    expect(of(1, () => ink('4.5 m', 100, 600)).besides).toEqual([])
    // A card that lies in no place is for a person to look at.
    expect(of(1, (copy) => [laid(limpet.id, 200, 120)(copy)]).besides).toHaveLength(1)
  })

  test('twenty thousand letters are compared, and said in few', () => {
    const long = 'tide '.repeat(4000)
    expect(of(1, typed(long)).same).toBe(of(2, typed(` ${long} `)).same)
    expect(of(1, typed(long)).words.length).toBeLessThanOrEqual(120)
  })
})

const keys: fc.Arbitrary<TypedKey> = fc.record({
  kind: fc.constant('typed' as const),
  answers: fc.constant([] as string[]),
  ignoreCase: fc.boolean(),
  ignoreAccents: fc.boolean(),
  ignoreSpaces: fc.boolean(),
})
const answers = fc.oneof(
  fc.constantFrom(
    '1/2',
    '0,5',
    '50%',
    '1 1/2',
    '11/2',
    '1 000',
    '4.5 m',
    '4.5 M',
    'Marée',
    'maree',
    'mar ee',
  ),
  fc.string({ maxLength: 12 }),
)

test('of two answers that are equal both are right or neither is', () => {
  fc.assert(
    fc.property(answers, answers, answers, keys, (a, b, right, key) => {
      if (sameAs(a, key) !== sameAs(b, key)) return
      expect(isRight(a, { ...key, answers: [right] })).toBe(isRight(b, { ...key, answers: [right] }))
    }),
  )
})

describe('what is cut out of a page', () => {
  const sheet = { width: 595, height: 842 }
  const whole: Box = { x: 0, y: 0, ...sheet }

  test('it is the area, and more where ink reaches over its edge', () => {
    expect(cutOf(area, [], sheet)).toEqual(area)
    const over = cutOf(area, ink('5.3 - 0.8 = 4.5 m', 250, 120), sheet)
    expect(over.x).toBe(area.x)
    expect(over.width).toBeGreaterThan(area.width)
    expect(over.width).toBeLessThanOrEqual(area.width + 54)
    expect(cutOf(area, ink('elsewhere', 60, 500), sheet)).toEqual(area)
  })

  test('it holds the area and lies on the page, however much larger it is made', () => {
    const side = fc.integer({ min: 10, max: 400 })
    const place = fc.integer({ min: 0, max: 190 })
    fc.assert(
      fc.property(
        place,
        place,
        side,
        side,
        fc.integer({ min: 0, max: 900 }),
        place,
        (x, y, w, h, more, at) => {
          const of = { x, y, width: w, height: h }
          const cut = cutOf(of, ink('6.1', at, at), sheet, more)
          expect(within(whole, cut)).toBe(true)
          expect(within(cut, of)).toBe(true)
          expect(within(cutOf(of, ink('6.1', at, at), sheet, more + 10), cut)).toBe(true)
        },
      ),
      { numRuns: 60 },
    )
  })

  test('a question on two pages has a part on each; of a page that a copy has not, none', () => {
    const both = { areas: [{ page: other.id, ...area }, ...question.areas] }
    expect(areasOn(both, [page, other]).map((each) => each.page.id)).toEqual([page.id, other.id])
    expect(areasOn(both, [other])).toEqual([{ page: other, area }])
    expect(areasOn(both, [])).toEqual([])
  })
})
