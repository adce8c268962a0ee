import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { MOST_REMARKS, MOST_REMARKS_SENT, type Remark, type RemarkKept } from '@hand-back/core'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { openSchool, type School, startLesson } from '../test/school.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

const tick = () =>
  ({ id: randomUUID(), kind: 'sign', form: 'tick', x: 0, y: 0, width: 24, height: 24 }) as const
const kept = (name: string, more: Partial<RemarkKept> = {}): RemarkKept => ({
  id: randomUUID(),
  name,
  unit: '',
  items: [tick()],
  carries: 0,
  ...more,
})

test('remarks are kept, changed, counted by question, removed and there again; each teacher has their own', async () => {
  const { teacher, students } = await startLesson(school, 1)
  const otherTeacher = await school.teacher()
  const [axes, smooth] = [kept('axis labels', { carries: 50 }), kept('smooth curve', { unit: 'Tides' })]
  await teacher.post('/remarks', { remarks: [axes, smooth] })
  const question = randomUUID()
  const use = (id: string, at: string | null) => teacher.post(`/remarks/${id}/uses`, { question: at })
  await Promise.all([use(axes.id, question), use(axes.id, question), use(axes.id, null)])
  const mine = () => teacher.get<Remark[]>('/remarks')
  expect(await mine()).toEqual([
    { ...axes, uses: 3, usesAt: { [question]: 2 } },
    { ...smooth, uses: 0, usesAt: {} },
  ])
  // The same list once more changes nothing.
  await teacher.post('/remarks', { remarks: [{ ...axes, name: 'another' }] })
  await teacher.patch(`/remarks/${smooth.id}`, { name: 'a smooth curve', carries: 100 })
  expect((await mine()).map(({ name, carries }) => [name, carries])).toEqual([
    ['a smooth curve', 100],
    ['axis labels', 50],
  ])
  await teacher.patch(`/remarks/${axes.id}`, { gone: true })
  expect((await mine()).map(({ id }) => id)).toEqual([smooth.id])
  await teacher.patch(`/remarks/${axes.id}`, { gone: false })
  expect((await mine()).find(({ id }) => id === axes.id)?.uses).toBe(3)

  expect(await otherTeacher.get<Remark[]>('/remarks')).toEqual([])
  expect(await otherTeacher.status('PATCH', `/remarks/${axes.id}`, { name: 'theirs' })).toBe(404)
  expect(await otherTeacher.status('POST', `/remarks/${axes.id}/uses`, { question: null })).toBe(404)
  expect(await students[0]!.visitor.status('GET', '/remarks')).toBe(404)
})

test('what is no remark is refused: marks, pictures, films, nothing, too much', async () => {
  const teacher = await school.teacher()
  const keep = (items: unknown[]) =>
    teacher.status('POST', '/remarks', { remarks: [{ ...kept('wrong'), items }] })
  const mark = {
    id: randomUUID(),
    kind: 'mark',
    question: randomUUID(),
    label: '1',
    given: 1,
    full: 2,
    x: 0,
    y: 0,
  }
  const at = { id: randomUUID(), x: 0, y: 0, width: 40, height: 30, turn: 0, file: randomUUID(), alt: '' }
  const picture = { ...at, kind: 'picture', crop: { x: 0, y: 0, width: 1, height: 1 } }
  const film = { ...at, kind: 'film', seconds: 2 }
  expect(await keep([mark])).toBe(422)
  expect(await keep([picture])).toBe(422)
  expect(await keep([film])).toBe(422)
  expect(await keep([])).toBe(422)
  expect(await keep(Array.from({ length: 301 }, tick))).toBe(422)
  expect(await teacher.get('/remarks')).toEqual([])
})

test('what is spoken in a remark is heard by its own teacher, and by no other', async () => {
  const [teacher, other] = [await school.teacher(), await school.teacher()]
  const spoken = randomUUID()
  const tone = readFileSync(new URL('../../../tools/src/demo/recordings/knot-1.webm', import.meta.url))
  await teacher.put(`/spoken/${spoken}`, new Uint8Array(tone))
  const voice = { id: randomUUID(), kind: 'voice' as const, x: 0, y: 0, recording: spoken, seconds: 2 }
  await teacher.post('/remarks', { remarks: [kept('begin at low water', { items: [voice] })] })
  // Named in another's remark, it is not theirs to hear.
  await other.post('/remarks', { remarks: [kept('mine?', { items: [voice] })] })
  expect(await teacher.status('GET', `/spoken/${spoken}`)).toBe(200)
  expect(await other.status('GET', `/spoken/${spoken}`)).toBe(404)
})

test('five thousand remarks are kept and told; one more is refused with a sentence', async () => {
  const teacher = await school.teacher()
  for (let at = 0; at < MOST_REMARKS; at += MOST_REMARKS_SENT)
    await teacher.post('/remarks', {
      remarks: Array.from({ length: MOST_REMARKS_SENT }, (_each, index) => kept(`remark ${at + index}`)),
    })
  expect(await teacher.get<Remark[]>('/remarks')).toHaveLength(MOST_REMARKS)
  const answer = await teacher.send('POST', '/remarks', { remarks: [kept('one more')] })
  expect(answer.status).toBe(422)
  expect(JSON.stringify(await answer.json())).toContain('at most 5000 remarks')
})
