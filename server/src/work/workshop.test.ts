import { type ChildProcess, fork } from 'node:child_process'
import { once } from 'node:events'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { fileURLToPath } from 'node:url'
import { afterAll, expect, test } from '@jest/globals'
import { GaveOut, Stopped, Workshop } from './workshop.ts'

const workshop = new Workshop('long')
const leftovers: ChildProcess[] = []
afterAll(() => {
  workshop.stop()
  for (const process of leftovers) process.kill('SIGKILL')
})
const script = new URL('../test/hardWork.ts', import.meta.url)
const call = (name: string, task: unknown, seconds = 20) => workshop.call({ script, name, task, seconds })

test('what breaks a limit of memory or time is ended alone; the next piece of work is done', async () => {
  expect(await call('double', 21)).toBe(42)
  await expect(call('takeMemory', 3000)).rejects.toThrow(GaveOut)
  expect(await call('double', 4)).toBe(8)
  await expect(call('neverEnds', null, 1)).rejects.toThrow(GaveOut)
  await expect(call('fails', 'a sentence')).rejects.toThrow('a sentence')
  expect(await call('double', 5)).toBe(10)
})

test('many bytes come back whole, and leave no file behind', async () => {
  const leftFiles = () => readdirSync(tmpdir()).filter((name) => name.startsWith('hand-back-made-'))
  const before = leftFiles()
  const bytes = (await call('sevens', 3_000_000)) as Uint8Array
  expect(bytes).toBeInstanceOf(Uint8Array)
  expect(bytes).toHaveLength(3_000_000)
  expect(bytes.every((byte) => byte === 7)).toBe(true)
  expect(leftFiles()).toEqual(before)
})

test('work tells how far it has come, and ends at once when nobody wants it any more', async () => {
  const heard: number[] = []
  const counted = await workshop.call({
    script,
    name: 'counts',
    task: 3,
    seconds: 20,
    onProgress: (done) => heard.push(done),
  })
  expect(counted).toBe('counted')
  expect(heard).toEqual([1, 2, 3])
  const stop = new AbortController()
  const never = workshop.call({ script, name: 'neverEnds', task: null, seconds: 60, signal: stop.signal })
  const refused = expect(never).rejects.toThrow(Stopped)
  setTimeout(() => stop.abort(), 50)
  await refused
  await expect(
    workshop.call({ script, name: 'double', task: 1, seconds: 20, signal: stop.signal }),
  ).rejects.toThrow(Stopped)
  expect(await call('double', 6)).toBe(12)
})

/** The processes that do long work for a process, by their parent (proc(5), stat). */
const workersOf = (pid: number) =>
  readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .filter((name) => {
      try {
        const stat = readFileSync(`/proc/${name}/stat`, 'utf8')
        // Other programs may help the house: only what does its work is meant.
        const works = readFileSync(`/proc/${name}/cmdline`, 'utf8').includes('processEntry')
        return works && Number(stat.slice(stat.lastIndexOf(')') + 2).split(' ')[1]) === pid
      } catch {
        return false
      }
    })
    .map(Number)

test('work that never ends does not outlive a house that was killed', async () => {
  const house = fork(fileURLToPath(new URL('../test/houseAtWork.mjs', import.meta.url)))
  leftovers.push(house)
  await once(house, 'message')
  const until = async (isSo: () => boolean) => {
    while (!isSo()) await new Promise((done) => setTimeout(done, 50))
  }
  await until(() => workersOf(house.pid!).length > 0)
  const [worker] = workersOf(house.pid!)
  // At work, not only about to begin.
  await until(() => Number(readFileSync(`/proc/${worker}/stat`, 'utf8').split(' ')[13]) > 20)
  house.kill('SIGKILL')
  await once(house, 'exit')
  await until(() => !existsSync(`/proc/${worker}`))
  expect(existsSync(`/proc/${worker}`)).toBe(false)
})
