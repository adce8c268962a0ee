import { randomUUID } from 'node:crypto'
import type { HandoutLooks, PageEvent } from '@hand-back/core'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import sharp from 'sharp'
import { adding, lineStroke } from '../test/ink.ts'
import { behind, openSchool, type School, startLesson } from '../test/school.ts'
import type { Visitor } from '../test/visitor.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

const stroke = (page: string, layer: 'work' | 'feedback'): PageEvent =>
  adding(page, layer, lineStroke([40, 100], [400, 100], { width: 40, nib: 'felt tip' }))

const pictureOf = async (teacher: Visitor, copy: string, page: string, look: string) => {
  const answer = await teacher.send('GET', `/copies/${copy}/pages/${page}/picture?of=${look}`)
  expect(answer.status).toBe(200)
  return { bytes: Buffer.from(await answer.arrayBuffer()), lasts: answer.headers.get('cache-control') }
}

/** How dark a place of the picture of a page is, from 0 to 255; `x` and `y` in parts of its size. */
async function darkness(bytes: Buffer, x: number, y: number): Promise<number> {
  const { width = 0, height = 0 } = await sharp(bytes).metadata()
  const box = { left: Math.round(width * x), top: Math.round(height * y), width: 3, height: 3 }
  const { channels } = await sharp(await sharp(bytes).extract(box).png().toBuffer()).stats()
  return 255 - channels[1]!.mean
}

test('a page of all copies is drawn at once; one more stroke draws only its own anew; feedback is seen', async () => {
  const { teacher, handout, students } = await startLesson(school, 3)
  const { pool } = behind(school)
  const looks = () => teacher.get<HandoutLooks>(`/handouts/${handout.id}/looks`)
  const told = await looks()
  const [page] = told.pages
  const look = (of: HandoutLooks, copy: string) =>
    of.looks.find((one) => one.copy === copy && one.page === page!.id)!.look
  const [first, second] = students as [(typeof students)[number], (typeof students)[number]]
  const empty = await pictureOf(teacher, first.copy, page!.id, look(told, first.copy))
  expect((await sharp(empty.bytes).metadata()).format).toBe('jpeg')
  expect(empty.lasts).toContain('immutable')
  const kept = async () =>
    (await pool.query('SELECT copy_id, xmin::text AS made FROM page_picture WHERE page_id = $1', [page!.id]))
      .rows
  expect(await kept()).toHaveLength(3)

  const before = await kept()
  await first.visitor.post(`/copies/${first.copy}/open`)
  await first.visitor.keep(first.copy, [stroke(page!.id, 'work')])
  const after = await looks()
  expect(look(after, first.copy)).not.toBe(look(told, first.copy))
  expect(look(after, second.copy)).toBe(look(told, second.copy))
  const written = await pictureOf(teacher, first.copy, page!.id, look(after, first.copy))
  const [x, y] = [200 / page!.width, 100 / page!.height]
  expect(await darkness(empty.bytes, x, y)).toBeLessThan(40)
  expect(await darkness(written.bytes, x, y)).toBeGreaterThan(120)
  const changed = (await kept()).filter(({ made }) => !before.some((one) => one.made === made))
  expect(changed.map(({ copy_id }) => copy_id)).toEqual([first.copy])

  // What is asked for by a look that is no more is not kept under its name.
  expect((await pictureOf(teacher, first.copy, page!.id, look(told, first.copy))).lasts).toBe('no-store')

  await second.visitor.post(`/copies/${second.copy}/open`)
  await teacher.keep(second.copy, [stroke(page!.id, 'feedback')])
  const marked = await pictureOf(teacher, second.copy, page!.id, look(await looks(), second.copy))
  expect(await darkness(marked.bytes, x, y)).toBeGreaterThan(120)
})

test('asked for by many at once, each picture is drawn once; students and other pages get nothing', async () => {
  const { teacher, handout, students } = await startLesson(school, 4)
  const told = await teacher.get<HandoutLooks>(`/handouts/${handout.id}/looks`)
  const [{ id: page }] = told.pages as [HandoutLooks['pages'][number]]
  const all = told.looks.filter((one) => one.page === page)
  expect(all).toHaveLength(4)
  const pictures = await Promise.all(
    [...all, ...all].map(({ copy, look }) => pictureOf(teacher, copy, page, look)),
  )
  expect(pictures.every(({ lasts }) => lasts?.includes('immutable'))).toBe(true)
  const [own] = students
  const path = (id: string) => `/copies/${own!.copy}/pages/${id}/picture`
  expect((await own!.visitor.send('GET', path(page))).status).toBeGreaterThanOrEqual(403)
  expect((await teacher.send('GET', path(randomUUID()))).status).toBe(404)
})
