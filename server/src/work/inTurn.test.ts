import { expect, test } from '@jest/globals'
import { inTurn, type Kind } from './inTurn.ts'

const script = new URL('../test/hardWork.ts', import.meta.url)
const MB = 1024 * 1024

/** Work of half a second on files of so many bytes; tells from when to when it was done. */
const spend = (kind: Kind, person: string, bytes: number) =>
  inTurn<[from: number, to: number]>({
    kind,
    person,
    bytes,
    script,
    name: 'spend',
    task: () => 500,
    seconds: 20,
  })

test('one piece of heavy work is done at a time in the whole house, and holds up nothing light', async () => {
  const heavy = [
    spend('long', 'noor', 60 * MB),
    spend('long', 'ilja', 60 * MB),
    spend('quick', 'maren', 60 * MB),
  ]
  const light = await Promise.all([spend('long', 'tomas', MB), spend('quick', 'wanda', MB)])
  const times = (await Promise.all(heavy)).sort(([a], [b]) => a - b)
  for (const [index, [from]] of times.slice(1).entries())
    expect(from).toBeGreaterThanOrEqual(times[index]![1])
  const [, lastEnds] = times.at(-1)!
  for (const [from] of light) expect(from).toBeLessThan(lastEnds - 500)
})
