import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { Allowance } from './allowance.ts'
import { refuseDeep } from './depth.ts'
import { Lanes } from './lanes.ts'

describe('lanes', () => {
  test('never let more run than they say, and lose nothing', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 1, max: 4 }),
        fc.array(fc.boolean(), { maxLength: 40 }),
        async (most, works) => {
          const lanes = new Lanes(most, 100, () => new Error('full'))
          let running = 0
          let highest = 0
          const done = await Promise.all(
            works.map((urgent, index) =>
              lanes.run(async () => {
                highest = Math.max(highest, ++running)
                await Promise.resolve()
                running--
                return index
              }, urgent),
            ),
          )
          expect(done).toEqual(works.map((_work, index) => index))
          expect(highest).toBeLessThanOrEqual(most)
        },
      ),
    )
  })

  test('what is urgent goes before what waits, and a line that is full turns away', async () => {
    const lanes = new Lanes(1, 1, () => new Error('full'))
    const order: string[] = []
    let open = () => {}
    const first = lanes.run(() => new Promise<void>((done) => (open = done)))
    const waiting = lanes.run(async () => void order.push('waiting'))
    await expect(lanes.run(async () => {})).rejects.toThrow('full')
    const urgent = lanes.run(async () => void order.push('urgent'), true)
    open()
    await Promise.all([first, waiting, urgent])
    expect(order).toEqual(['urgent', 'waiting'])
  })
})

test('JSON is refused by how deep it is nested, whatever stands in its texts', () => {
  const anyJson = fc.json({ maxDepth: 6 })
  fc.assert(
    fc.property(anyJson, fc.string(), (json, text) => {
      expect(() => refuseDeep(Buffer.from(json))).not.toThrow()
      const brackets = JSON.stringify({ text: `${'['.repeat(100)}${text}"\\` })
      expect(() => refuseDeep(Buffer.from(brackets))).not.toThrow()
      const deep = `${'[{"a":'.repeat(30)}${json}${'}]'.repeat(30)}`
      expect(() => refuseDeep(Buffer.from(deep))).toThrow(/could not be read/)
    }),
  )
})

test('an allowance is each person’s own', () => {
  const allowance = new Allowance(3, 60_000)
  expect([1, 2, 3, 4].map(() => allowance.take('noor'))).toEqual([true, true, true, false])
  expect(allowance.take('ilja', 3)).toBe(true)
  expect(allowance.take('ilja')).toBe(false)
})
