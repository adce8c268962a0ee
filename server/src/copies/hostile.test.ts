import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { type CopyWhole, type PageEvent, packPoints, type Thing, toBase64 } from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import sharp from 'sharp'
import { adding, lineStroke } from '../test/ink.ts'
import { firstPageOf, openSchool, type School, startLesson } from '../test/school.ts'
import type { Visitor } from '../test/visitor.ts'

const sound = readFileSync(new URL('../../../tools/src/demo/recordings/knot-1.webm', import.meta.url))

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

async function freshCopy() {
  const lesson = await startLesson(school, 2)
  const { visitor: student, copy } = lesson.students[0]!
  return { ...lesson, student, copy, page: await firstPageOf(student, copy) }
}
const fates = async (visitor: Visitor, copy: string, events: unknown[]) => {
  const answer = await visitor.keep(copy, events as PageEvent[])
  return answer.ok
    ? answer.fates.map(({ id, fate }) => [events.findIndex((event) => (event as PageEvent).id === id), fate])
    : answer
}
const picture = (file: string): Thing => ({
  id: randomUUID(),
  kind: 'picture',
  file,
  alt: '',
  crop: { x: 0, y: 0, width: 1, height: 1 },
  x: 10,
  y: 10,
  width: 50,
  height: 50,
  turn: 0,
})
const putting = (page: string, thing: Thing, layer: PageEvent['layer'] = 'work') =>
  ({ ...adding(page, layer), items: [thing] }) as PageEvent
const changing = (page: string, item: string, thing: Thing): PageEvent => ({
  id: randomUUID(),
  page,
  layer: 'work',
  madeAt: 2,
  act: 'change',
  item,
  set: { thing },
  was: {},
})
const somePicture = async (colour: string) =>
  new Uint8Array(
    await sharp({ create: { width: 8, height: 8, channels: 3, background: colour } })
      .png()
      .toBuffer(),
  )

describe('an item names only what belongs to its copy and what its author may see', () => {
  test('by no act, a change included; and naming a teacher’s unreleased recording does not open it', async () => {
    const { student, teacher, copy, page, students } = await freshCopy()
    const secret = randomUUID()
    await teacher.put(`/copies/${copy}/attachments/${secret}`, await somePicture('#ff0000'))
    const other = students[1]!
    const theirs = randomUUID()
    await other.visitor.put(`/copies/${other.copy}/attachments/${theirs}`, await somePicture('#00ff00'))
    const own = randomUUID()
    await student.put(`/copies/${copy}/attachments/${own}`, await somePicture('#0000ff'))
    const mine = picture(own)
    const events = [
      putting(page, mine),
      ...[secret, theirs, randomUUID()].flatMap((file) => [
        putting(page, picture(file)),
        changing(page, mine.id, { ...mine, file } as Thing),
        { ...putting(page, picture(file)), act: 'swap', take: [], bring: [] },
      ]),
    ]
    expect(await fates(student, copy, events)).toEqual(
      events.map((_event, index) => [index, index === 0 ? 'kept' : 'wrong']),
    )
    const path = (recording: string) => `/copies/${copy}/attachments/${recording}`
    expect(await student.status('GET', path(secret))).toBe(404)
    // Handed back, what the teacher put on the page is to be seen.
    await student.post(`/copies/${copy}/hand-in`)
    expect(await fates(teacher, copy, [putting(page, picture(secret), 'feedback')])).toEqual([[0, 'kept']])
    expect(await student.status('GET', path(secret))).toBe(404)
    await teacher.post(`/copies/${copy}/hand-back`)
    expect(await student.status('GET', path(secret))).toBe(200)
  })
})

describe('a copy that is not out', () => {
  test.each([
    ['withdrawn', { withdrawn: true }],
    ['not open yet', { opensAt: Date.now() + 86_400_000 }],
  ] as const)(
    '%s takes nothing and tells nothing, also to a tab that was open before',
    async (_what, change) => {
      const { student, teacher, copy, page, handout } = await freshCopy()
      await student.follow(copy)
      const device = await student.device()
      const heard: unknown[] = []
      device.on('events', (news) => heard.push(news))
      device.on('standing', (news) => heard.push(news))
      await teacher.patch(`/handouts/${handout.id}`, change)
      const made = adding(page)
      expect(await fates(student, copy, [made])).toEqual([[0, 'closed']])
      expect(await fates(teacher, copy, [adding(page, 'help')])).toEqual([[0, 'kept']])
      expect(await student.status('GET', `/copies/${copy}`)).toBe(410)
      expect(
        await student.status(
          'PUT',
          `/copies/${copy}/attachments/${randomUUID()}`,
          await somePicture('#123456'),
        ),
      ).toBe(410)
      expect(await student.status('POST', `/copies/${copy}/hand-in`)).toBe(410)
      expect((await student.follow(copy)).ok).toBe(false)
      expect(heard).toEqual([])
      // What waited on the device is taken when it is out again.
      await teacher.patch(`/handouts/${handout.id}`, { withdrawn: false, opensAt: null })
      expect(await fates(student, copy, [made])).toEqual([[0, 'kept']])
    },
  )
})

describe('what cannot be kept', () => {
  const typed = (page: string, text: string): PageEvent =>
    ({
      ...adding(page),
      items: [
        {
          ...picture(randomUUID()),
          kind: 'text',
          text,
          face: 'reading',
          size: 12,
          bold: false,
          colour: '#1e2b3a',
          align: 'left',
          list: 'none',
          file: undefined,
          alt: undefined,
          crop: undefined,
        },
      ],
    }) as unknown as PageEvent

  test.each([
    ['the letter of code 0', 'ebb\u0000tide'],
    ['half a letter', 'ebb\ud800tide'],
  ])('%s does not hold up what comes before and after it', async (_what, text) => {
    const { student, copy, page } = await freshCopy()
    const good = [adding(page), adding(page)]
    const events = [good[0]!, typed(page, text), good[1]!]
    const told = await fates(student, copy, events)
    expect((told as [number, string][]).toSorted((a, b) => a[0] - b[0])).toEqual([
      [0, 'kept'],
      [1, 'wrong'],
      [2, 'kept'],
    ])
  })

  test('a stroke of more points than one is made of is refused when it is made', async () => {
    const { student, copy, page } = await freshCopy()
    const points = Array.from({ length: 20_000 }, (_, index) => ({
      x: index % 500,
      y: 100,
      pressure: 0.5,
      time: index,
    }))
    const long = lineStroke([0, 0], [1, 1], { points: toBase64(packPoints(points)) })
    expect(await fates(student, copy, [{ ...adding(page), items: [long] }])).toEqual([[0, 'wrong']])
  })

  test('after handing in nothing is taken but what may be said at a place; it waits on its device', async () => {
    const { teacher, student, copy, handout } = await freshCopy()
    await teacher.patch(`/handouts/${handout.id}`, { pins: false })
    await student.post(`/copies/${copy}/open`)
    await student.post(`/copies/${copy}/hand-in`)
    const path = `/copies/${copy}/attachments/${randomUUID()}`
    expect(await student.status('PUT', path, await somePicture('#abcdef'))).toBe(423)
    await teacher.patch(`/handouts/${handout.id}`, { pins: true })
    expect(await student.status('PUT', `${path.slice(0, -36)}${randomUUID()}`, sound)).toBe(201)
    await teacher.patch(`/handouts/${handout.id}`, { pins: false })
    await student.post(`/copies/${copy}/take-back`)
    expect(await student.status('PUT', path, await somePicture('#abcdef'))).toBe(201)
  })

  test('a photo does not tell where it was taken', async () => {
    const { student, copy } = await freshCopy()
    const photo = await sharp({ create: { width: 20, height: 10, channels: 3, background: '#aabbcc' } })
      .withExif({ IFD0: { Artist: 'SOMEBODY' }, IFD3: { GPSLatitude: '55/1 41/1 0/1' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer()
    const path = `/copies/${copy}/attachments/${randomUUID()}`
    await student.put(path, new Uint8Array(photo))
    const sent = Buffer.from(await (await student.send('GET', path)).arrayBuffer())
    expect(sent.includes('SOMEBODY')).toBe(false)
    expect(await sharp(sent).metadata()).toMatchObject({ width: 10, height: 20 })
  })

  test('JSON nested without end is refused at once, and a missing piece of the interface is not there', async () => {
    const { teacher, worksheet } = await freshCopy()
    const deep = `${'['.repeat(4_000_000)}${']'.repeat(4_000_000)}`
    const response = await fetch(`${teacher.url}/api/worksheets/${worksheet.id}/sheet`, {
      method: 'PUT',
      headers: { cookie: teacher.cookie, origin: teacher.url, 'content-type': 'application/json' },
      body: deep,
    })
    expect(response.status).toBe(400)
    const missing = await fetch(`${teacher.url}/assets/nothing-here.js`)
    expect(missing.status).toBe(404)
  })
})

describe('only as whoever made it', () => {
  test('what one made is not kept as another’s, in a shared copy neither', async () => {
    const { students } = await freshCopy()
    const [first, second] = students
    const device = await second!.visitor.device()
    const page = await firstPageOf(second!.visitor, second!.copy)
    const answer = await device
      .timeout(5000)
      .emitWithAck('keep', { person: first!.person.id, copy: second!.copy, events: [adding(page)] })
    expect(answer).toMatchObject({ ok: false, gone: false })
    const { pages } = await second!.visitor.get<CopyWhole>(`/copies/${second!.copy}`)
    expect(pages).toHaveLength(1)
    expect(await second!.visitor.get(`/copies/${second!.copy}/log`)).toEqual([])
  })
})
