import { afterEach, describe, expect, jest, test } from '@jest/globals'
import { answerWith, keepAlso, keepsPath } from './keptAnswers.ts'

const COPY = '0b2f6a50-1111-4222-8333-444455556666'

describe('what is kept', () => {
  test.each([
    ['/copy/x', true, 'screens'],
    ['/as/noor/', true, 'screens'],
    ['/assets/index-abc.js', false, 'screens'],
    ['/api/me', false, 'work'],
    ['/as/noor/api/tray', false, 'work'],
    [`/api/copies/${COPY}`, false, 'work'],
    [`/api/files/${'a'.repeat(64)}`, false, 'work'],
  ] as const)('%s', (path, navigates, shelf) => {
    expect(keepsPath(path, navigates)?.shelf).toBe(shelf)
  })
  test.each([
    [`/api/copies/${COPY}/pdf`, true],
    [`/api/copies/${COPY}/log`, false],
    ['/api/sign-in/student', false],
    ['/api/classes', false],
    ['/live/?EIO=4', false],
  ] as const)('%s is not', (path, navigates) => {
    expect(keepsPath(path, navigates)).toBeUndefined()
  })
})

/** Shelves in memory, and a school that can be out of reach. */
function device() {
  const shelves = new Map<string, Map<string, Response>>()
  const stores = {
    open: async (name: string) => {
      const shelf = shelves.get(name) ?? new Map<string, Response>()
      shelves.set(name, shelf)
      return {
        match: async (key: string) => shelf.get(key)?.clone(),
        put: async (key: string, answer: Response) => void shelf.set(key, answer),
      }
    },
  } as unknown as CacheStorage
  const ask = (path: string, headers: Record<string, string> = {}) =>
    answerWith(stores, new Request(`http://school${path}`, { headers }), keepsPath(path, false)!)
  return { ask }
}

const real = globalThis.fetch
afterEach(() => {
  globalThis.fetch = real
})
const school = (answer: () => Promise<Response>) => {
  const asked = jest.fn(answer)
  globalThis.fetch = asked as typeof fetch
  return asked
}
const outOfReach = () => Promise.reject(new TypeError('out of reach'))

describe('answering', () => {
  test('school is asked first; what it said last is there when it is out of reach', async () => {
    const { ask } = device()
    school(async () => new Response('first'))
    expect(await (await ask('/api/tray')).text()).toBe('first')
    school(async () => new Response('second'))
    expect(await (await ask('/api/tray')).text()).toBe('second')
    school(outOfReach)
    expect(await (await ask('/api/tray')).text()).toBe('second')
    await expect(ask('/api/me')).rejects.toThrow('out of reach')
  })

  test('a refusal is an answer, and does not take the place of what was kept', async () => {
    const { ask } = device()
    school(async () => new Response('mine'))
    await ask('/api/tray')
    school(async () => new Response('sign in first', { status: 401 }))
    expect((await ask('/api/tray')).status).toBe(401)
    school(outOfReach)
    expect(await (await ask('/api/tray')).text()).toBe('mine')
  })

  test('what never changes is asked for once; a part of it comes from the whole', async () => {
    const { ask } = device()
    const path = `/api/files/${'a'.repeat(64)}`
    const asked = school(async () => new Response('0123456789'))
    await ask(path)
    expect(await (await ask(path)).text()).toBe('0123456789')
    expect(asked).toHaveBeenCalledTimes(1)
    for (const [range, part, content] of [
      ['bytes=2-4', '234', 'bytes 2-4/10'],
      ['bytes=7-', '789', 'bytes 7-9/10'],
      ['bytes=-2', '89', 'bytes 8-9/10'],
    ] as const) {
      const answer = await ask(path, { range })
      expect([answer.status, await answer.text(), answer.headers.get('content-range')]).toEqual([
        206,
        part,
        content,
      ])
    }
  })
})

test('what is being kept when somebody signs out does not stay for whoever comes next', async () => {
  const shelves = new Map<string, Set<string>>()
  const kept: string[] = []
  const stores = {
    open: async (name: string) => {
      const shelf = shelves.get(name) ?? new Set<string>()
      shelves.set(name, shelf)
      return {
        match: async () => undefined,
        add: async (path: string) => {
          shelf.add(path)
          kept.push(path)
          // Signed out while the first is being kept: a shelf that is taken away takes what is laid on it.
          if (kept.length === 1) shelves.delete(name)
        },
      }
    },
  } as unknown as CacheStorage
  await keepAlso(stores, [`/api/copies/${COPY}`, `/api/files/${'a'.repeat(64)}`, '/assets/index-abc.js'])
  expect(kept).toHaveLength(3)
  expect([...(shelves.get('work') ?? [])]).toEqual([])
  expect([...(shelves.get('screens') ?? [])]).toEqual(['/assets/index-abc.js'])
})
