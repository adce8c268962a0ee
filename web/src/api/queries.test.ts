import { CALLS } from '@hand-back/core'
import { afterEach, expect, jest, test } from '@jest/globals'
import { QueryObserver } from '@tanstack/react-query'
import { keyOf, nowIs, queries, queryClient } from './queries.ts'

const schoolSays = (answer: unknown) =>
  jest.spyOn(globalThis, 'fetch').mockImplementation(async () => Response.json(answer))

afterEach(() => {
  jest.restoreAllMocks()
  queryClient.clear()
})

test('signing out forgets what was fetched for somebody, but not the door that is being fetched', async () => {
  schoolSays({ firstVisit: false, setupCode: false, demo: null })
  queryClient.setQueryData(keyOf(CALLS.tray), [])
  const door = new QueryObserver(queryClient, queries.door())
  const shown = new Promise<unknown>((done) => {
    door.subscribe(({ data }) => data && done(data))
  })
  nowIs(null)
  expect(await shown).toMatchObject({ firstVisit: false, demo: null })
  expect(queryClient.getQueryData(keyOf(CALLS.tray))).toBeUndefined()
  expect(queryClient.getQueryData(keyOf(CALLS.me))).toBeNull()
})
