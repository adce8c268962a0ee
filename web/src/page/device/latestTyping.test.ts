import { beforeEach, expect, test } from '@jest/globals'
import type { Keepsake, Typing } from './keepsake.ts'
import { LatestTyping } from './latestTyping.ts'

const place = { person: 'p', copy: 'c', at: 'a' }
/** The browser's notes, which the tests' machine lacks. */
const notes = new Map<string, string>()
const localStorage = new Proxy(
  {
    getItem: (key: string) => notes.get(key) ?? null,
    setItem: (key: string, value: string) => void notes.set(key, value),
    removeItem: (key: string) => void notes.delete(key),
  },
  {
    ownKeys: () => [...notes.keys()],
    getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
  },
)
beforeEach(() => {
  notes.clear()
  Object.assign(globalThis, { localStorage })
})

const typing = (words: string, at = 'a'): Typing =>
  ({ ...place, at, page: 'x', typed: { value: { text: words } } }) as unknown as Typing

/** A device that writes only when it is let. */
function slowDevice() {
  const there = new Map<string, unknown>()
  const open: (() => void)[] = []
  let puts = 0
  const keepsake = {
    putTyping: (one: Typing) => {
      puts++
      return new Promise<void>((done) =>
        open.push(() => {
          there.set(one.at, one.typed)
          done()
        }),
      )
    },
    typingIn: async () => [...there].map(([at, typed]) => ({ ...place, at, page: 'x', typed })),
    dropTyping: async ({ at }: { at: string }) => void there.delete(at),
  } as unknown as Keepsake
  const settle = async () => {
    for (const write of open.splice(0)) write()
    await new Promise((done) => setImmediate(done))
  }
  return { there, settle, puts: () => puts, latest: new LatestTyping(keepsake) }
}

test('however many letters are typed while one write is under way, the next write is the last of them', async () => {
  const { there, settle, puts, latest } = slowDevice()
  for (let letters = 1; letters <= 40; letters++) void latest.keep(typing('x'.repeat(letters)))
  void latest.keep(typing('elsewhere', 'b'))
  await settle()
  await settle()
  expect(there.get('a')).toEqual(typing('x'.repeat(40)).typed)
  expect(there.get('b')).toEqual(typing('elsewhere').typed)
  expect(puts()).toBe(3)
})

test('what is dropped does not come back by a write under way; what is typed after it stays', async () => {
  const { there, settle, latest } = slowDevice()
  void latest.keep(typing('first'))
  void latest.keep(typing('waits'))
  const dropped = latest.drop(place)
  await settle()
  await dropped
  expect(there.has('a')).toBe(false)

  void latest.keep(typing('again'))
  const late = latest.drop(place)
  void latest.keep(typing('newer'))
  await settle()
  await settle()
  await late
  expect(there.get('a')).toEqual(typing('newer').typed)
})

test('words that the database has not taken yet are found after a crash, and no note stays once it has', async () => {
  const { settle, latest } = slowDevice()
  void latest.keep(typing('first'))
  await settle()
  expect(notes.size).toBe(0)
  void latest.keep(typing('first and more'))
  expect(await latest.in('p', 'c')).toEqual([typing('first and more')])
  expect(await latest.in('p', 'another')).toEqual([typing('first')])
  await settle()
  expect(notes.size).toBe(0)
  void latest.keep(typing('gone'))
  const dropped = latest.drop(place)
  expect(notes.size).toBe(0)
  await settle()
  await dropped
})
