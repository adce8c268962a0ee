import { randomUUID } from 'node:crypto'
import type { ClassCard, HandoutWhole, Person, StudentWithPin, WorksheetWhole } from '@hand-back/core'
import type { Page } from '@playwright/test'
import { type House, SETUP_CODE } from './house.ts'

/** A lesson made through the server's own routes, for tests that begin on the page. */
export interface Lesson {
  readonly classId: string
  readonly worksheet: string
  readonly className: string
  readonly code: string
  readonly students: { id: string; name: string; pin: string; copy: string }[]
  readonly handout: string
}

export const TEACHER = { name: 'Marit Aune', password: 'low tide at noon' }

/** Signs the teacher in (or makes the first account) in this window and prepares a hand-out of a PDF to these students; it goes out unless `handsOut` says no. */
export async function prepareLesson(
  house: House,
  teacher: Page,
  names: readonly string[],
  pdf: Uint8Array,
  handsOut = true,
): Promise<Lesson> {
  await teacher.goto(house.url)
  const api = teacher.request
  const post = async <T>(path: string, data: unknown): Promise<T> => {
    const answer = await api.post(`${house.url}/api${path}`, {
      data: data as object,
      headers: { origin: house.url },
    })
    if (!answer.ok()) throw new Error(`${path}: ${answer.status()} ${await answer.text()}`)
    return (await answer.json()) as T
  }
  const door = await (await api.get(`${house.url}/api/door`)).json()
  await post<Person>(door.firstVisit ? '/first-teacher' : '/sign-in/teacher', {
    ...TEACHER,
    ...(door.firstVisit ? { setupCode: SETUP_CODE } : {}),
  })
  const card = await post<ClassCard>('/classes', { name: `Curlew ${randomUUID().slice(0, 4)}` })
  const students: StudentWithPin[] = []
  for (let from = 0; from < names.length; from += 100)
    students.push(
      ...(await post<StudentWithPin[]>(`/classes/${card.id}/students`, {
        names: names.slice(from, from + 100),
      })),
    )
  const brought = await api.post(`${house.url}/api/worksheets`, {
    headers: { origin: house.url },
    multipart: {
      file: { name: 'Reading a tide table.pdf', mimeType: 'application/pdf', buffer: Buffer.from(pdf) },
    },
  })
  const worksheet = (await brought.json()) as WorksheetWhole
  const begun = { className: card.name, classId: card.id, code: card.code, worksheet: worksheet.id }
  if (!handsOut)
    return { ...begun, handout: '', students: students.map((student) => ({ ...student, copy: '' })) }
  const whole = await giveOut(house, teacher, begun)
  return {
    ...begun,
    handout: whole.id,
    students: students.map((student) => ({
      ...student,
      copy: whole.copies.find((copy) => copy.students[0]!.id === student.id)!.id,
    })),
  }
}

type Handable = Pick<Lesson, 'worksheet' | 'classId'>

/** Asks to hand the lesson’s worksheet out, each their own copy. The same request asked again hands out once. */
export function askToGiveOut(
  house: House,
  teacher: Page,
  { worksheet, classId }: Handable,
  request: string = randomUUID(),
) {
  return teacher.request.post(`${house.url}/api/handouts`, {
    data: {
      request,
      worksheet,
      classes: [{ class: classId, way: 'own' }],
      opensAt: null,
      dueAt: null,
      instructions: '',
      spoken: null,
      counts: true,
    },
    headers: { origin: house.url },
  })
}

/** Hands the lesson’s worksheet out, each their own copy. */
export async function giveOut(house: House, teacher: Page, lesson: Handable): Promise<HandoutWhole> {
  const { handouts } = (await (await askToGiveOut(house, teacher, lesson)).json()) as { handouts: string[] }
  return (await teacher.request.get(`${house.url}/api/handouts/${handouts[0]}`)).json()
}

/** Signs a student of the lesson in, in a window. */
export async function signInStudent(house: House, page: Page, lesson: Lesson, index: number): Promise<void> {
  const { id, pin } = lesson.students[index]!
  await page.request.post(`${house.url}/api/sign-in/student`, {
    data: { code: lesson.code, student: id, pin },
    headers: { origin: house.url },
  })
}

/** Signs a student in, in a window, and opens their copy. */
export async function openCopy(house: House, page: Page, lesson: Lesson, index: number): Promise<void> {
  await signInStudent(house, page, lesson, index)
  await page.goto(`${house.url}/copy/${lesson.students[index]!.copy}`)
  await page.locator('main[aria-busy=false]').waitFor()
}

/** Hands a copy in, whatever nobody has touched on it. */
export async function handIn(student: Page): Promise<void> {
  await student.getByRole('button', { name: 'Hand in' }).click()
  await student.getByRole('button', { name: 'Hand in all the same' }).click()
}
