import { expect, test } from '@jest/globals'
import type pg from 'pg'
import { until } from '../test/until.ts'
import { gatheringPool } from './gatheredNews.ts'

const NOTIFY = 'SELECT pg_notify($1, $2)'

/** A pool that only notes what it is asked, and what did not go out. */
function noting(answer: () => Promise<unknown> = async () => ({ rows: [] })) {
  const asked: { text: string; values: unknown }[] = []
  const failed: string[] = []
  const pool = {
    total: 3,
    query(text: string, values: unknown) {
      asked.push({ text, values })
      return answer()
    },
  }
  return {
    asked,
    failed,
    pool: gatheringPool(pool as unknown as pg.Pool, (error) => failed.push(error.message)),
  }
}

test('what is told close together goes out at once and in order, everything else as it is', async () => {
  const { asked, failed, pool } = noting()
  // Taken at once: nobody waits for the database.
  for (const number of [1, 2, 3]) await pool.query(NOTIFY, ['live', `news ${number}`])
  await pool.query('SELECT 1', [7])
  expect(asked).toEqual([{ text: 'SELECT 1', values: [7] }])
  await until(async () => asked.length === 2)
  expect(asked[1]!.values).toEqual([
    ['live', 'live', 'live'],
    ['news 1', 'news 2', 'news 3'],
  ])
  await pool.query(NOTIFY, ['live', 'later'])
  await until(async () => asked.length === 3)
  expect(asked[2]!.values).toEqual([['live'], ['later']])
  expect((pool as unknown as { total: number }).total).toBe(3)
  expect(failed).toEqual([])
})

test('what did not go out is heard of', async () => {
  const { failed, pool } = noting(() => Promise.reject(new Error('no database')))
  await pool.query(NOTIFY, ['live', 'news'])
  await until(async () => failed.length === 1)
  expect(failed).toEqual(['no database'])
})
