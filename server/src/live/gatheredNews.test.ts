import { expect, test } from '@jest/globals'
import type pg from 'pg'
import { gatheringPool } from './gatheredNews.ts'

const NOTIFY = 'SELECT pg_notify($1, $2)'

/** A pool that only notes what it is asked. */
function noting(answer: () => Promise<unknown> = async () => ({ rows: [] })) {
  const asked: { text: string; values: unknown }[] = []
  const pool = {
    total: 3,
    query(text: string, values: unknown) {
      asked.push({ text, values })
      return answer()
    },
  }
  return { asked, pool: gatheringPool(pool as unknown as pg.Pool) }
}

test('what is told close together goes out at once and in order, everything else as it is', async () => {
  const { asked, pool } = noting()
  const told = [1, 2, 3].map((number) => pool.query(NOTIFY, ['live', `news ${number}`]))
  await pool.query('SELECT 1', [7])
  expect(asked).toEqual([{ text: 'SELECT 1', values: [7] }])
  await Promise.all(told)
  expect(asked).toHaveLength(2)
  expect(asked[1]!.values).toEqual([
    ['live', 'live', 'live'],
    ['news 1', 'news 2', 'news 3'],
  ])
  await pool.query(NOTIFY, ['live', 'later'])
  expect(asked[2]!.values).toEqual([['live'], ['later']])
  expect((pool as unknown as { total: number }).total).toBe(3)
})

test('whoever told something that did not go out hears of it', async () => {
  const { pool } = noting(() => Promise.reject(new Error('no database')))
  const told = [1, 2].map((number) => pool.query(NOTIFY, ['live', `news ${number}`]))
  for (const each of told) await expect(each).rejects.toThrow('no database')
})
