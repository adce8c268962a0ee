import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { type CopyWhole, type HandoutWhole, type Item, type Printed, writeWav } from '@hand-back/core'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import sharp from 'sharp'
import { fatesOf } from '../test/fatesOf.ts'
import { adding } from '../test/ink.ts'
import { giveOut, giving, openSchool, readyClass, type School } from '../test/school.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

const tide = new Uint8Array(
  readFileSync(new URL('../../../tools/src/demo/recordings/tide.webm', import.meta.url)),
)
const grey = (width: number) =>
  sharp({ create: { width, height: 30, channels: 3, background: '#6f8f8c' } })
    .jpeg()
    .toBuffer()

test('a film on a page is played, from any second on, by those who have the page, and by nobody else', async () => {
  const { teacher, classId, students, worksheet, signIn } = await readyClass(school, 2)
  const at = `/worksheets/${worksheet.id}`
  await expect(teacher.upload(`${at}/films`, 'tide.webm', await grey(40))).rejects.toThrow(/not a film/)
  const { file } = await teacher.upload<{ file: string }>(`${at}/films`, 'tide.webm', tide)
  const still = await teacher.upload<{ file: string }>(`${at}/pictures`, 'still.jpg', await grey(40))
  const [page] = worksheet.sheet.pages
  const film: Printed<'film'> = {
    ...{ id: randomUUID(), kind: 'film', file, still: still.file, seconds: 5, alt: 'The tide comes in' },
    ...{ x: 40, y: 40, width: 160, height: 120 },
    captions: 'WEBVTT\n\n00:00.000 --> 00:02.000\nIn it comes.\n',
  }
  const keep = (printed: unknown[], revision: number) =>
    teacher.put<{ revision: number }>(`${at}/sheet`, {
      revision,
      order: [page!.id],
      pages: [{ ...page!, printed }],
    })
  await expect(keep([{ ...film, captions: '1\n00:00 hello' }], worksheet.revision)).rejects.toThrow()
  await keep([film], worksheet.revision)

  await giveOut(teacher, giving(worksheet.id, classId, { students: [students[0]!.id] }))
  const [mine, other] = await Promise.all(students.map(({ id }) => signIn(id)))
  const [{ copy }] = (await mine!.get<{ copy: string }[]>('/tray')) as [{ copy: string }]
  const [printed] = (await mine!.get<CopyWhole>(`/copies/${copy}`)).pages[0]!.printed as [Printed<'film'>]
  expect(printed.file).not.toBe(file)
  const played = await mine!.send('GET', `/files/${printed.file}`, undefined, { range: 'bytes=100-199' })
  expect([played.status, played.headers.get('content-type')]).toEqual([206, 'video/webm'])
  expect(Buffer.from(await played.arrayBuffer())).toEqual(Buffer.from(tide.subarray(100, 200)))
  expect(await mine!.status('GET', `/files/${printed.still}`)).toBe(200)
  expect(await other!.status('GET', `/files/${printed.file}`)).toBe(404)
  expect(await mine!.status('GET', `/files/${file}`)).toBe(404)
  const stranger = await school.teacher()
  expect(await stranger.status('GET', `/files/${file}`)).toBe(404)
  expect(await stranger.status('GET', `/files/${printed.file}`)).toBe(404)
})

test('a voice on a page is heard by those who have the page, and by nobody else', async () => {
  const { teacher, classId, students, worksheet, signIn } = await readyClass(school, 2)
  const at = `/worksheets/${worksheet.id}`
  const spoken = new Uint8Array(writeWav(new Float32Array(8000).fill(0.2), 8000))
  const { file } = await teacher.upload<{ file: string }>(`${at}/films`, 'spoken', spoken)
  const [page] = worksheet.sheet.pages
  const voice: Printed<'voice'> = {
    ...{ id: randomUUID(), kind: 'voice', file, seconds: 1, said: 'Tie the knot.' },
    ...{ x: 40, y: 40, width: 104, height: 28 },
    shows: { things: [[0.5, randomUUID()]], turns: [[0, page!.id]] },
  }
  const keep = (printed: unknown) =>
    teacher.put(`${at}/sheet`, {
      ...{ revision: worksheet.revision, order: [page!.id] },
      pages: [{ ...page!, printed: [printed] }],
    })
  const later = {
    things: [
      [2, randomUUID()],
      [1, randomUUID()],
    ],
    turns: [],
  }
  await expect(keep({ ...voice, shows: later })).rejects.toThrow()
  await keep(voice)
  await giveOut(teacher, giving(worksheet.id, classId, { students: [students[0]!.id] }))
  const [mine, other] = await Promise.all(students.map(({ id }) => signIn(id)))
  const [{ copy }] = (await mine!.get<{ copy: string }[]>('/tray')) as [{ copy: string }]
  const [printed] = (await mine!.get<CopyWhole>(`/copies/${copy}`)).pages[0]!.printed as [Printed<'voice'>]
  expect({ ...printed, file }).toEqual(voice)
  const heard = await mine!.send('GET', `/files/${printed.file}`, undefined, { range: 'bytes=0-99' })
  expect([heard.status, heard.headers.get('content-type')]).toEqual([206, 'audio/wav'])
  expect(await other!.status('GET', `/files/${printed.file}`)).toBe(404)
  expect(await mine!.status('GET', `/files/${file}`)).toBe(404)
})

test('a film on a copy comes as a film to those who read the copy; as feedback not before it is handed back', async () => {
  const { teacher, classId, students, worksheet, signIn } = await readyClass(school, 2)
  const [handout] = await giveOut(teacher, giving(worksheet.id, classId))
  const [mine, other] = await Promise.all(students.map(({ id }) => signIn(id)))
  const { copies } = await teacher.get<HandoutWhole>(`/handouts/${handout}`)
  const { id: copy } = copies.find((each) => each.students[0]!.id === students[0]!.id)!
  const { pages } = await mine!.get<CopyWhole>(`/copies/${copy}`)
  const filmOf = (file: string): Item => ({
    ...{ id: randomUUID(), kind: 'film', file, seconds: 5, alt: '' },
    ...{ x: 40, y: 40, width: 160, height: 120, turn: 0 },
  })
  const attachment = (name: string) => `/copies/${copy}/attachments/${name}`
  const shot = randomUUID()
  await mine!.put(attachment(shot), tide)
  expect(await fatesOf(mine!.keep(copy, [{ ...adding(pages[0]!.id), items: [filmOf(shot)] }]))).toEqual([
    'kept',
  ])
  const seen = await teacher.send('GET', `${attachment(shot)}?film`)
  expect([seen.status, seen.headers.get('content-type')]).toEqual([200, 'video/webm'])
  expect(await other!.status('GET', attachment(shot))).toBe(404)

  await mine!.post(`/copies/${copy}/hand-in`)
  const said = randomUUID()
  await teacher.put(attachment(said), tide)
  const feedback = { ...adding(pages[0]!.id, 'feedback'), items: [filmOf(said)] }
  expect(await fatesOf(teacher.keep(copy, [feedback]))).toEqual(['kept'])
  expect(await mine!.status('GET', `${attachment(said)}?film`)).toBe(404)
})
