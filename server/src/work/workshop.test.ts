import { afterAll, expect, test } from '@jest/globals'
import { GaveOut, Workshop } from './workshop.ts'

const workshop = new Workshop('long')
afterAll(() => workshop.stop())
const script = new URL('../test/hardWork.ts', import.meta.url)
const call = (name: string, task: unknown, seconds = 20) => workshop.call({ script, name, task, seconds })

test('what breaks a limit of memory or time is ended alone; the next piece of work is done', async () => {
  expect(await call('double', 21)).toBe(42)
  await expect(call('takeMemory', 3000)).rejects.toThrow(GaveOut)
  expect(await call('double', 4)).toBe(8)
  await expect(call('neverEnds', null, 1)).rejects.toThrow(GaveOut)
  await expect(call('fails', 'a sentence')).rejects.toThrow('a sentence')
  expect(await call('double', 5)).toBe(10)
}, 60_000)
