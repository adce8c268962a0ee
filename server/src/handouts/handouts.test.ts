import { randomUUID } from 'node:crypto'
import type {
  ClassCard,
  HandoutCard,
  HandoutWhole,
  StudentWithPin,
  TrayEntry,
  WorksheetWhole,
} from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { makePdf } from '../test/makePdf.ts'
import { openSchool, type School, startLesson } from '../test/school.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

async function ready(count: number) {
  const teacher = await school.teacher()
  const { id: classId } = await teacher.post<ClassCard>('/classes', { name: 'Dunlin' })
  const students =
    count === 0
      ? []
      : await teacher.post<StudentWithPin[]>(`/classes/${classId}/students`, {
          names: Array.from({ length: count }, (_, index) => `Student ${index}`),
        })
  const worksheet = await teacher.upload<WorksheetWhole>('/worksheets', 'Ebb.pdf', await makePdf())
  const giving = {
    request: randomUUID(),
    worksheet: worksheet.id,
    class: classId,
    dueAt: null,
    instructions: '',
  }
  return { teacher, classId, students, giving }
}

describe('handing out', () => {
  test('once, however often and however fast the button is pressed', async () => {
    const { teacher, giving } = await ready(3)
    const answers = await Promise.all(
      Array.from({ length: 6 }, () => teacher.post<{ id: string }>('/handouts', giving)),
    )
    expect(new Set(answers.map(({ id }) => id)).size).toBe(1)
    const list = await teacher.get<HandoutCard[]>('/handouts')
    expect(list).toHaveLength(1)
    expect(list[0]!.states).toEqual(['waiting', 'waiting', 'waiting'])
  })

  test('to some of the class: they and nobody else', async () => {
    const { teacher, students, giving } = await ready(4)
    const chosen = [students[0]!.id, students[2]!.id]
    const { id } = await teacher.post<{ id: string }>('/handouts', { ...giving, students: chosen })
    const { copies } = await teacher.get<HandoutWhole>(`/handouts/${id}`)
    expect(copies.map(({ student }) => student.id).sort()).toEqual([...chosen].sort())
  })

  test('to nobody, to a class without students, to a stranger: refused, and nothing is made', async () => {
    const { teacher, giving } = await ready(0)
    await expect(teacher.post('/handouts', giving)).rejects.toThrow(/no students/)
    const full = await ready(1)
    await expect(full.teacher.post('/handouts', { ...full.giving, students: [] })).rejects.toThrow(
      /at least one/,
    )
    await expect(
      full.teacher.post('/handouts', { ...full.giving, students: [randomUUID()] }),
    ).rejects.toThrow(/not in this class/)
    expect(await full.teacher.get('/handouts')).toEqual([])
  })

  test('with another teacher’s worksheet or class: there is no such thing', async () => {
    const mine = await ready(1)
    const theirs = await ready(1)
    expect(
      await mine.teacher.status('POST', '/handouts', { ...mine.giving, worksheet: theirs.giving.worksheet }),
    ).toBe(404)
    expect(await mine.teacher.status('POST', '/handouts', { ...mine.giving, class: theirs.classId })).toBe(
      404,
    )
  })

  test('the tray has it with its date and instructions, also after leaving the class', async () => {
    const { teacher, students, class: whole } = await startLesson(school, 1)
    const { visitor, person } = students[0]!
    const tray = await visitor.get<TrayEntry[]>('/tray')
    expect(tray).toHaveLength(1)
    expect(tray[0]).toMatchObject({
      title: 'Reading a tide table',
      state: 'waiting',
      instructions: 'Look at the table first.',
      pageCount: 1,
    })
    await teacher.delete(`/classes/${whole.id}/students/${person.id}`)
    const [handout] = await teacher.get<HandoutCard[]>('/handouts')
    expect(handout!.states).toEqual(['waiting'])
  })
})
