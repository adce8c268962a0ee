import type { WorksheetCard, WorksheetWhole } from '@hand-back/core'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import sharp from 'sharp'
import { behind, openSchool, readyClass, type School } from '../test/school.ts'
import type { Visitor } from '../test/visitor.ts'

let school: School
beforeAll(async () => {
  school = await openSchool({ picturesRest: 50 })
})
afterAll(() => school.close())

const picture = async (teacher: Visitor, worksheet: string) => {
  const answer = await teacher.send('GET', `/worksheets/${worksheet}/picture`)
  expect(answer.status).toBe(200)
  return Buffer.from(await answer.arrayBuffer())
}

/** How dark the middle of the upper left quarter is, from 0 to 255. */
async function darkness(bytes: Buffer): Promise<number> {
  const { width = 0, height = 0 } = await sharp(bytes).metadata()
  const box = { left: Math.round(width / 4), top: Math.round(height / 4), width: 4, height: 4 }
  const { channels } = await sharp(await sharp(bytes).extract(box).png().toBuffer()).stats()
  return 255 - channels[1]!.mean
}

test('made ahead when a worksheet is made, and anew when its first page has changed', async () => {
  const { teacher, worksheet } = await readyClass(school, 1)
  const { pool } = behind(school)
  const made = async () =>
    (await pool.query('SELECT of FROM worksheet_picture WHERE worksheet_id = $1', [worksheet.id])).rows[0]?.of
  const until = async (isDone: (of: string | undefined) => boolean) => {
    while (!isDone(await made())) await new Promise((done) => setTimeout(done, 100))
  }
  await until((of) => of !== undefined)
  const card = async () =>
    (await teacher.get<WorksheetCard[]>('/worksheets')).find(({ id }) => id === worksheet.id)!
  expect(await made()).toBe((await card()).look)
  const before = await picture(teacher, worksheet.id)
  const { width = 0, height = 0, format } = await sharp(before).metadata()
  expect(format).toBe('webp')
  expect(width <= 360 && height <= 416 && (width === 360 || height >= 415)).toBe(true)
  expect(await darkness(before)).toBeLessThan(10)

  const whole = await teacher.get<WorksheetWhole>(`/worksheets/${worksheet.id}`)
  const [first, ...others] = whole.sheet.pages
  const black = {
    id: crypto.randomUUID(),
    kind: 'shape' as const,
    form: 'rectangle' as const,
    ...{ colour: '#000000', fill: '#000000', line: 1, dashed: false, rising: false, heads: 'none' as const },
    ...{ x: 0, y: 0, width: first!.width, height: first!.height, turn: 0 },
  }
  const pages = [{ ...first!, printed: [black] }, ...others]
  await teacher.put(`/worksheets/${worksheet.id}/sheet`, {
    revision: whole.revision,
    order: pages.map(({ id }) => id),
    pages,
  })
  const { look } = await card()
  await until((of) => of === look)
  expect(await darkness(await picture(teacher, worksheet.id))).toBeGreaterThan(240)
})

test('what has no picture yet gets one when a server starts', async () => {
  const { worksheet } = await readyClass(school, 1)
  const { pool } = behind(school)
  const there = async () =>
    (await pool.query('SELECT 1 FROM worksheet_picture WHERE worksheet_id = $1', [worksheet.id])).rowCount ===
    1
  while (!(await there())) await new Promise((done) => setTimeout(done, 100))
  await pool.query('DELETE FROM worksheet_picture')
  await school.secondServer()
  while (!(await there())) await new Promise((done) => setTimeout(done, 100))
  expect(await there()).toBe(true)
})
