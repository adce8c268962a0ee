import { randomUUID } from 'node:crypto'
import type { ClassCard, CopyWhole, Door, HandoutCard, HandoutWhole, WorksheetCard } from '@hand-back/core'
import { Visitor } from '@hand-back/server/test/visitor.ts'
import { tideAnswers } from '../answers.ts'
import { studentsHand } from '../hands.ts'
import { CLASS_NAME, STUDENTS, TEACHER } from '../people.ts'
import { PretendStudent } from './PretendStudent.ts'
import { temperOf } from './tempers.ts'

const WORKSHEET = 'Reading a tide table'
/** What the pretend class works on, so that it is not taken for what was handed out before. */
const LESSON = 'Tides, in the lesson'

/** A class of 24 that works on one hand-out through the house at `url`, as long as this process runs. */
export async function beginPretendClass(url: string): Promise<void> {
  const people = await demoPeople(url)
  const enter = async (name: string) => {
    const visitor = new Visitor(url)
    await visitor.post('/sign-in/demo', { person: people.get(name) })
    return visitor
  }
  const teacher = await enter(TEACHER.name)
  const handout = (await handedOutBefore(teacher)) ?? (await giveOut(teacher))
  console.log(`The pretend class works on “${LESSON}”: ${url}/handout/${handout.id}/room`)
  for (const [index, name] of STUDENTS.entries()) {
    const row = handout.copies.find(({ students }) => students.some((student) => student.name === name))
    if (row) void attend(index, row.id, () => enter(name))
  }
}

async function attend(index: number, copy: string, enter: () => Promise<Visitor>): Promise<void> {
  const temper = temperOf(index)
  if (temper.comesAfter === 'never') return
  await new Promise((done) => setTimeout(done, temper.comesAfter as number))
  const visitor = await enter()
  const student = new PretendStudent(visitor, await visitor.get<CopyWhole>(`/copies/${copy}`), temper)
  await student.work(tideAnswers(studentsHand(index, randomUUID), 1, temper.slips))
}

async function demoPeople(url: string): Promise<ReadonlyMap<string, string>> {
  const { demo } = await new Visitor(url).get<Door>('/door')
  return new Map(demo!.people.map(({ id, name }) => [name, id]))
}

async function handedOutBefore(teacher: Visitor): Promise<HandoutWhole | undefined> {
  const cards = await teacher.get<HandoutCard[]>('/handouts')
  const there = cards.find(({ title }) => title === LESSON)
  return there && teacher.get<HandoutWhole>(`/handouts/${there.id}`)
}

async function giveOut(teacher: Visitor): Promise<HandoutWhole> {
  const worksheets = await teacher.get<WorksheetCard[]>('/worksheets')
  const { id } = worksheets.find(({ title }) => title === WORKSHEET)!
  const copy = await teacher.post<{ id: string }>(`/worksheets/${id}/duplicate`)
  await teacher.patch(`/worksheets/${copy.id}`, { title: LESSON })
  const classes = await teacher.get<ClassCard[]>('/classes')
  const { handouts } = await teacher.post<{ handouts: string[] }>('/handouts', {
    request: randomUUID(),
    worksheet: copy.id,
    classes: [{ class: classes.find(({ name }) => name === CLASS_NAME)!.id, way: 'own' }],
    opensAt: null,
    dueAt: null,
    directions: '',
    spoken: null,
    counts: false,
  })
  return teacher.get<HandoutWhole>(`/handouts/${handouts[0]}`)
}
