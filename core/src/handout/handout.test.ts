import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { LAYERS } from '../log/events.ts'
import { handedBackRound, mayRead, mayWrite, mayWriteOn, worksOn } from '../log/layers.ts'
import { WAYS } from './plan.ts'
import {
  anotherGo,
  broughtBack,
  COPY_STATES,
  handedBack,
  handedIn,
  opened,
  Refused,
  type Standing,
  takenBack,
} from './state.ts'

const FRESH = { state: 'waiting', round: 1, markingBegan: false, stateBefore: null, goFor: null } as const

const steps = { broughtBack, opened, handedIn, takenBack, handedBack, anotherGo }
const walk = fc.array(fc.constantFrom(...(Object.keys(steps) as (keyof typeof steps)[])), { maxLength: 30 })

describe('the way of a copy', () => {
  test('whatever is pressed, rounds never go back and a copy given back is never with its student', () => {
    fc.assert(
      fc.property(walk, (presses) => {
        let copy: Standing = { ...FRESH }
        for (const press of presses) {
          const before = copy
          try {
            copy = steps[press](copy)
          } catch (error) {
            expect(error).toBeInstanceOf(Refused)
            continue
          }
          expect(copy.round).toBeGreaterThanOrEqual(before.round)
          expect(steps[press] === anotherGo || copy.round === before.round).toBe(true)
          // Only what nobody has read is taken from its student again.
          if (press !== 'broughtBack' || before.stateBefore === null)
            expect(handedBackRound(copy)).toBeGreaterThanOrEqual(handedBackRound(before))
          // A press again changes nothing or is refused; it never goes further.
          if (press !== 'anotherGo') expect(steps[press](copy)).toEqual(copy)
        }
      }),
    )
  })
  test('what was handed in can be taken back until marking began', () => {
    const copy = handedIn(opened({ ...FRESH }))
    expect(takenBack(copy).state).toBe('working')
    expect(() => takenBack({ ...copy, markingBegan: true })).toThrow(/begun to write/)
  })
  test('what was handed back by mistake is brought back to where it stood, until it is read', () => {
    for (const copy of [opened(FRESH), handedIn(opened(FRESH)), anotherGo(handedIn(opened(FRESH)))]) {
      expect(broughtBack(handedBack(copy))).toEqual(copy)
      expect(() => broughtBack(opened(handedBack(copy)))).toThrow(/read by now/)
    }
  })
  test('another go begins a round, and taking back in it leads to another go', () => {
    const copy = anotherGo(handedBack(handedIn({ ...FRESH, state: 'working', markingBegan: true })))
    expect(copy).toMatchObject({ state: 'another go', round: 2, markingBegan: false })
    expect(takenBack(handedIn(copy)).state).toBe('another go')
  })
  test('a copy never opened is not handed back', () => {
    expect(() => handedBack({ ...FRESH })).toThrow(Refused)
  })
})

describe('who may read and write', () => {
  const standing = fc.record({
    way: fc.constantFrom(...WAYS),
    state: fc.constantFrom(...COPY_STATES),
    round: fc.integer({ min: 1, max: 5 }),
    pins: fc.boolean(),
  })

  test('a student never reads feedback of a round that was not handed back', () => {
    fc.assert(
      fc.property(standing, fc.integer({ min: 1, max: 6 }), (copy, round) => {
        const over = round < copy.round || (round === copy.round && copy.state === 'handed back')
        expect(mayRead('student', copy, 'feedback', round)).toBe(over)
        expect(mayRead('student', copy, 'help', round)).toBe(true)
        expect(mayRead('teacher', copy, 'feedback', round)).toBe(true)
      }),
    )
  })
  test('no layer but pins is written by both, and a student works only on a copy that lies with them', () => {
    fc.assert(
      fc.property(standing, fc.constantFrom(...LAYERS), (copy, layer) => {
        if (layer === 'pins') {
          for (const role of ['student', 'teacher'] as const)
            expect(mayWrite(role, copy, layer)).toBe(copy.pins)
          return
        }
        expect(mayWrite('student', copy, layer) && mayWrite('teacher', copy, layer)).toBe(false)
        if (copy.way === 'read') expect(mayWrite('student', copy, layer)).toBe(false)
        if (mayWrite('student', copy, layer)) expect(layer === 'work' && worksOn(copy.state)).toBe(true)
        expect(mayWrite('teacher', copy, 'work')).toBe(copy.way === 'read')
      }),
    )
  })

  test('a page given to somebody is theirs alone; all others are everybody’s', () => {
    const owners = { mine: ['noor'], nobodys: [] }
    expect(mayWriteOn('noor', 'mine', owners)).toBe(true)
    expect(mayWriteOn('rafi', 'mine', owners)).toBe(false)
    expect(mayWriteOn('rafi', 'nobodys', owners)).toBe(true)
    expect(mayWriteOn('rafi', 'other', owners)).toBe(true)
  })
})
