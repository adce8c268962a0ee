import { randomUUID } from 'node:crypto'
import { CHUNK_BYTES } from '@hand-back/core'
import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import sharp from 'sharp'
import { openCopy, prepareLesson, signInStudent } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, drawWithMouse, expectInk, expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}])

/** A picture that no device makes small: every point has a colour of its own. */
const busyPicture = await sharp({
  create: {
    width: 1400,
    height: 1000,
    channels: 3,
    background: '#888888',
    noise: { type: 'gaussian', mean: 128, sigma: 60 },
  },
})
  .png()
  .toBuffer()

const sizeAtSchool = async (copy: string) =>
  (
    await server.rows<{ size: number }>(
      'SELECT f.size FROM attachment a JOIN file f ON f.sha256 = a.file WHERE a.copy_id = $1',
      [copy],
    )
  )[0]?.size

test('a large picture goes on where the network broke off, the tab closed meanwhile; ink goes on beside it', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Anouk Bright'], pdf)
  const { copy } = lesson.students[0]!
  const anouk = await somebody()
  await openCopy(server, anouk, lesson, 0)
  const begun: number[] = []
  let through = 2
  await anouk.context().route('**/attachments/*', async (route) => {
    if (route.request().method() !== 'PUT') return route.continue()
    if (through-- <= 0) return route.abort('internetdisconnected')
    begun.push(Number(/^bytes (\d+)-/.exec(route.request().headers()['content-range'] ?? '')?.[1]))
    return route.continue()
  })
  await anouk
    .getByLabel('A picture for the page')
    .setInputFiles({ name: 'sand.png', mimeType: 'image/png', buffer: busyPicture })
  await expect(anouk.getByTestId('picked')).toBeVisible()
  await anouk.keyboard.press('Escape')
  await drawWithMouse(anouk, along({ x: 60, y: 60 }, { x: 200, y: 60 }))
  const kept = () => server.rows("SELECT 1 FROM event WHERE copy_id = $1 AND layer = 'work'", [copy])
  await expect.poll(async () => (await kept()).length).toBe(1)
  expect(await sizeAtSchool(copy)).toBeUndefined()

  await anouk.reload()
  await anouk.locator('main[aria-busy=false]').waitFor()
  through = 1000
  await expectKept(anouk)
  expect(await kept()).toHaveLength(2)
  const size = await anouk.evaluate(
    async (path) => {
      const answer = await fetch(path)
      return (await answer.blob()).size
    },
    `/api/copies/${copy}/attachments/${await nameOf(copy)}`,
  )
  expect(await sizeAtSchool(copy)).toBe(size)
  expect(begun.length).toBeGreaterThan(3)
  expect(begun).toEqual(Array.from({ length: begun.length }, (_, chunk) => chunk * CHUNK_BYTES))
  await expectInk(anouk, { x: 130, y: 60 })
})

async function nameOf(copy: string): Promise<string> {
  const [row] = await server.rows<{ id: string }>('SELECT id FROM attachment WHERE copy_id = $1', [copy])
  return row!.id
}

test('what an older version of the page left on the device arrives, its sound with it', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Priya Holt'], pdf)
  const { copy, id: person } = lesson.students[0]!
  const priya = await somebody()
  await signInStudent(server, priya, lesson, 0)
  const whole = await (await priya.request.get(`${server.url}/api/copies/${copy}`)).json()
  const recording = randomUUID()
  const note = { id: randomUUID(), kind: 'voice', x: 100, y: 100, recording, seconds: 1 }
  const common = { page: whole.pages[0].id, layer: 'work', author: person, round: 1, madeAt: 1 }
  await priya.goto(`${server.url}/api/door`)
  await leaveAsBefore(priya, {
    person,
    copy,
    event: { ...common, id: randomUUID(), act: 'add', items: [note] },
    recording,
  })
  await openCopy(server, priya, lesson, 0)
  await expectKept(priya)
  expect(await sizeAtSchool(copy)).toBeGreaterThan(1000)
  await expect(priya.getByRole('button', { name: /Play voice note/ })).toBeVisible()
})

/** Keeps an event with its sound on the device as version 2 of its store did. */
function leaveAsBefore(page: Page, left: { person: string; copy: string; event: object; recording: string }) {
  return page.evaluate(
    ({ recording, ...row }) =>
      new Promise<void>((done, failed) => {
        const bytes = new Uint8Array(2000)
        // How WebM begins.
        bytes.set([0x1a, 0x45, 0xdf, 0xa3, 0x9f, 0x42, 0x82, 0x84, 0x77, 0x65, 0x62, 0x6d])
        const open = indexedDB.open('hand-back', 2)
        open.onupgradeneeded = () => {
          const store = open.result.createObjectStore('outgoing', { keyPath: 'order', autoIncrement: true })
          store.createIndex('person', 'person')
          store.createIndex('event', 'event.id')
          open.result.createObjectStore('typing', { keyPath: ['person', 'copy', 'at'] })
        }
        open.onerror = () => failed(open.error)
        open.onsuccess = () => {
          const transaction = open.result.transaction('outgoing', 'readwrite')
          transaction
            .objectStore('outgoing')
            .add({ ...row, sound: { recording, bytes: new Blob([bytes], { type: 'audio/webm' }) } })
          transaction.oncomplete = () => {
            open.result.close()
            done()
          }
        }
      }),
    left,
  )
}
