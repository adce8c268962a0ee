import { randomUUID } from 'node:crypto'
import { Readable } from 'node:stream'
import { bareSheet, type Person, type Way, type WorksheetPage } from '@hand-back/core'
import {
  bringIn,
  type Context,
  handOut,
  makeClass,
  makeFromFiles,
  makeTeacher,
  tables,
  takeStep,
} from '@hand-back/server'
import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { eq } from 'drizzle-orm'

/** A class of `count` students, a worksheet, and what handing it out needs. */
export async function furnishClass(context: Context, count: number, pageCount: number) {
  const { db } = context
  const teacher = await makeTeacher(db, `Teacher ${randomUUID()}`, 'no password')
  const { id: classId } = await makeClass(db, teacher.id, 'Curlew class')
  // Straight into the table: hashing hundreds of PINs is not what is measured.
  const rows = Array.from({ length: count }, (_, index) => ({
    role: 'student' as const,
    name: `Student ${index}`,
    secretHash: 'no PIN',
  }))
  const students: Person[] = await db
    .insert(tables.people)
    .values(rows)
    .returning({ id: tables.people.id, name: tables.people.name, role: tables.people.role })
  await db.insert(tables.enrolments).values(students.map(({ id }) => ({ classId, studentId: id })))
  const { title, pages } = await bringIn(
    db,
    teacher.id,
    'Tides.pdf',
    Readable.from(Buffer.from(await makePdf(Array(pageCount).fill({})))),
  )
  const worksheet = await makeFromFiles(db, teacher.id, { title, unit: '', sheet: bareSheet(pages) })
  const give = (way: Way = 'own') =>
    handOut(db, teacher.id, {
      request: randomUUID(),
      worksheet: worksheet.id,
      classes: [{ class: classId, way }],
      opensAt: null,
      dueAt: null,
      directions: '',
      spoken: null,
      counts: true,
    })
  return { teacher, classId, students, pages: pages as readonly WorksheetPage[], give }
}

/** The same, handed out in some way and opened by everybody. `copies`: one for each student, the same for all who share it. */
export async function furnishCopies(context: Context, count: number, pageCount: number, way: Way = 'own') {
  const { students, pages, give, teacher } = await furnishClass(context, count, pageCount)
  const { handouts } = await give(way)
  const id = handouts[0]!
  const rows = await context.db.select().from(tables.copyMembers).where(eq(tables.copyMembers.handoutId, id))
  const copies = students.map((student) => rows.find(({ studentId }) => studentId === student.id)!.copyId)
  for (const [index, copy] of copies.entries()) await takeStep(context, students[index]!, copy, 'open')
  return { students, copies, pages, teacher, handout: id }
}
