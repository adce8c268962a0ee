import type { CopyWhole, HandoutWhole, Meanwhile, PagePart } from '@hand-back/core'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { adding } from '../test/ink.ts'
import { firstPageOf, giveOut, giving, openSchool, type School, startLesson } from '../test/school.ts'
import { until } from '../test/until.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

async function sharedByThree() {
  const lesson = await startLesson(school, 3)
  const { teacher, worksheet, class: of } = lesson
  const [handout] = await giveOut(teacher, giving(worksheet.id, of.id, { way: 'all' }))
  const { copies } = await teacher.get<HandoutWhole>(`/handouts/${handout}`)
  return { ...lesson, copy: copies[0]!.id }
}

test('parts of a page are given to some who share it, seen by all of them, and by the teacher’s hand only', async () => {
  const { teacher, students, copy } = await sharedByThree()
  const page = await firstPageOf(teacher, copy)
  const [one, other] = students.map(({ person }) => person.id)
  const stranger = '00000000-0000-4000-8000-000000000001'
  const box = { x: 40, y: 50, width: 200, height: 100 }
  const parts: PagePart[] = [
    { page, box, students: [one!, stranger] },
    { page, box, students: [stranger] },
  ]
  await teacher.put(`/copies/${copy}/parts`, parts)
  for (const { visitor } of students)
    expect((await visitor.get<CopyWhole>(`/copies/${copy}`)).parts).toEqual([{ page, box, students: [one] }])
  expect(await students[1]!.visitor.status('PUT', `/copies/${copy}/parts`, [])).toBe(404)
  expect(await (await school.teacher()).status('PUT', `/copies/${copy}/parts`, [])).toBe(404)
  expect(await teacher.status('PUT', `/copies/${copy}/parts`, [{ page, box, students: [] }])).toBe(422)
  // One's own copy has no parts to give.
  expect(await teacher.status('PUT', `/copies/${students[0]!.copy}/parts`, [])).toBe(404)
  // Whoever is moved to another place has none here any more.
  await teacher.put(`/copies/${copy}/parts`, [{ page, box, students: [one!, other!] }])
  await teacher.delete(`/copies/${copy}/students/${one}`)
  expect((await teacher.get<CopyWhole>(`/copies/${copy}`)).parts[0]!.students).toEqual([other])
})

test('whoever comes back is told what others did meanwhile, and nothing of what was there when they left', async () => {
  const { students, copy } = await sharedByThree()
  const [one, other] = students
  const meanwhile = () => one!.visitor.get<Meanwhile>(`/copies/${copy}/meanwhile`)
  const page = await firstPageOf(one!.visitor, copy)
  await one!.visitor.follow(copy)
  await other!.visitor.keep(copy, [adding(page)])
  expect(await meanwhile()).toEqual([])
  const device = await one!.visitor.device()
  device.emit('unfollow', copy)
  await until(async () => {
    const { rows } = await school.server.context.pool.query(
      'SELECT read_seq FROM copy_member WHERE copy_id = $1 AND student_id = $2',
      [copy, one!.person.id],
    )
    return rows[0].read_seq !== null
  })
  expect(await meanwhile()).toEqual([])
  await one!.visitor.keep(copy, [adding(page)])
  expect(await meanwhile()).toEqual([])
  await other!.visitor.keep(copy, [adding(page), adding(page)])
  expect(await meanwhile()).toEqual([{ student: other!.person.id, pages: [page] }])
  expect(await other!.visitor.get<Meanwhile>(`/copies/${copy}/meanwhile`)).toEqual([])
  // Nothing is told of one's own copy, nor to strangers.
  expect(await one!.visitor.get<Meanwhile>(`/copies/${one!.copy}/meanwhile`)).toEqual([])
  expect(await other!.visitor.status('GET', `/copies/${one!.copy}/meanwhile`)).toBe(404)
})
