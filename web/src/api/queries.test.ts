import { afterEach, expect, jest, test } from '@jest/globals'
import { QueryObserver } from '@tanstack/react-query'
import { nowIs, queries, queryClient } from './queries.ts'

const schoolSays = (answer: unknown) =>
  jest.spyOn(globalThis, 'fetch').mockImplementation(async () => Response.json(answer))

afterEach(() => {
  jest.restoreAllMocks()
  queryClient.clear()
})

test('signing out forgets what was fetched for somebody, but not the door that is being fetched', async () => {
  schoolSays({ firstVisit: false, setupCode: false, demo: null })
  queryClient.setQueryData(['tray'], [])
  const door = new QueryObserver(queryClient, queries.door())
  const shown = new Promise<unknown>((done) => {
    door.subscribe(({ data }) => data && done(data))
  })
  nowIs(null)
  expect(await shown).toMatchObject({ firstVisit: false, demo: null })
  expect(queryClient.getQueryData(['tray'])).toBeUndefined()
  expect(queryClient.getQueryData(['me'])).toBeNull()
})
