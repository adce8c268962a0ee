import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { Line } from './line.ts'

const piece = fc.record({ person: fc.constantFrom('noor', 'ilja', 'maren', 'tomas'), nr: fc.nat(1000) })

describe('who goes next', () => {
  test('everybody is served, in their own order, each within a round', () => {
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 60 }), (pieces) => {
        const line = new Line<(typeof pieces)[number]>()
        for (const work of pieces) line.join(work)
        const done: typeof pieces = []
        for (let work = line.next(2); work; work = line.next(2)) {
          done.push(work)
          line.over(work.person)
        }
        expect(done).toHaveLength(pieces.length)
        const people = [...new Set(pieces.map(({ person }) => person))]
        for (const person of people) {
          const own = (of: typeof pieces) => of.filter((work) => work.person === person)
          expect(own(done)).toEqual(own(pieces))
          expect(done.findIndex((work) => work.person === person)).toBeLessThan(people.length)
        }
      }),
    )
  })

  test('however much one has in line, a place stays free for the others', () => {
    const line = new Line<{ person: string }>()
    for (let count = 0; count < 5; count++) line.join({ person: 'many' })
    expect(line.next(2)?.person).toBe('many')
    expect(line.next(1)).toBeUndefined()
    line.join({ person: 'one' })
    expect(line.next(1)?.person).toBe('one')
    line.over('many')
    expect(line.next(1)?.person).toBe('many')
  })
})
