import { describe, expect, test } from '@jest/globals'
import { MOST_ITEMS, pageEvent } from '../log/events.ts'
import { idOf } from '../test/arbitrary.ts'
import { classCode, personName, pin } from './door.ts'
import { newHandout } from './handouts.ts'

describe('what people type', () => {
  test('class codes ignore case, spaces and dashes', () => {
    expect(classCode.parse(' tide-42 ')).toBe('TIDE42')
    expect(classCode.safeParse('a b').success).toBe(false)
  })
  test('names are trimmed; empty, endless and hidden ones are told apart', () => {
    expect(personName.parse('  Noor Farrant ')).toBe('Noor Farrant')
    for (const wrong of ['   ', 'x'.repeat(81), 'a\u0000b', 'a\u202eb']) {
      expect(personName.safeParse(wrong).error?.issues[0]?.message).toMatch(/name.*\.$/)
    }
  })
  test('a PIN is four digits', () => {
    expect(pin.safeParse('0042').success).toBe(true)
    for (const wrong of ['42', '12345', 'abcd', '１２３４']) expect(pin.safeParse(wrong).success).toBe(false)
  })
})

describe('events from devices', () => {
  const good = { id: idOf(1), page: idOf(2), layer: 'work', madeAt: 5, act: 'take', items: [idOf(3)] }
  test('a good one passes; what it must not say is refused', () => {
    expect(pageEvent.safeParse(good).success).toBe(true)
    const wrong = [
      { ...good, author: 'somebody else' },
      { ...good, layer: 'printed' },
      { ...good, items: [] },
      { ...good, items: Array(MOST_ITEMS + 1).fill(idOf(3)) },
      { ...good, act: 'wipe' },
      { ...good, madeAt: -1 },
      {
        ...good,
        act: 'add',
        items: [{ id: idOf(9), kind: 'stroke', nib: 'pen', colour: 'url(x)', width: 2, points: '' }],
      },
      {
        ...good,
        act: 'add',
        items: [{ id: idOf(9), kind: 'stroke', nib: 'pen', colour: '#000000', width: 1e9, points: '' }],
      },
    ]
    for (const event of wrong) expect(pageEvent.safeParse(event).success).toBe(false)
  })
  test('a hand-out takes a date or none', () => {
    const handout = {
      request: idOf(1),
      worksheet: idOf(2),
      classes: [{ class: idOf(3), way: 'own' }],
      opensAt: null,
      dueAt: null,
      directions: ' Look first. ',
      spoken: null,
      counts: true,
    }
    expect(newHandout.parse(handout).directions).toBe('Look first.')
    expect(newHandout.safeParse({ ...handout, dueAt: 1e20 }).success).toBe(false)
    expect(newHandout.safeParse({ ...handout, classes: [] }).success).toBe(false)
  })
})
