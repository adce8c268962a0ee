import type { CopyWhole, PdfPaper } from '@hand-back/core'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { makePdf } from '../test/makePdf.ts'
import { behind, openSchool, type School, startLesson } from '../test/school.ts'
import { until } from '../test/until.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

test('what a class will ask for when it opens its copies is made when the worksheet is handed out', async () => {
  const { students } = await startLesson(school, 2, await makePdf([{}, { turn: 90 }]))
  const [{ visitor, copy }] = students as [(typeof students)[number]]
  const { pages } = await visitor.get<CopyWhole>(`/copies/${copy}`)
  const wanted = pages.map(({ paper }) => (paper as PdfPaper).file).sort()
  const { pool, close } = behind(school)
  try {
    // Nobody has asked for them.
    const made = await until(async () => {
      const { rows } = await pool.query<{ name: string }>('SELECT name FROM sent_file ORDER BY name')
      return rows.length === 2 && rows
    })
    expect(made.map(({ name }) => name)).toEqual(wanted)
  } finally {
    await close()
  }
})
