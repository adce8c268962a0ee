import { randomUUID } from 'node:crypto'
import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { giveOut, type Lesson, openCopy, prepareLesson } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, drawWithPen, expectInk, expectKept } from './hands/hands.ts'

// A device that fails those who work on it: it cannot keep, loses what it kept, or its browser dies.

const server = testServer()
const pdf = await makePdf([{}])

const line = (number: number) => along({ x: 80, y: 80 + number * 22 }, { x: 200, y: 80 + number * 22 }, 6)
const middle = (number: number) => ({ x: 140, y: 80 + number * 22 })
const sign = (page: Page, state: string) => page.locator(`[data-kept=${state}]`)

async function eventsAtSchool(lesson: Lesson): Promise<number> {
  const rows = await server.rows<{ count: string }>('SELECT count(*) FROM event WHERE copy_id = $1', [
    lesson.students[0]!.copy,
  ])
  return Number(rows[0]!.count)
}

/** Makes what the browser keeps fail from now on, or work again. */
const keeping = (page: Page, works: boolean) =>
  page.evaluate((works) => {
    const store = IDBObjectStore.prototype as unknown as { real?: unknown; add: unknown }
    store.real ??= store.add
    store.add = works
      ? store.real
      : () => {
          throw new DOMException('no room', 'QuotaExceededError')
        }
  }, works)

/** Cuts this tab off, or lets it reach school again. */
const reach = (page: Page, reaches: boolean) =>
  page.evaluate((reaches) => void dispatchEvent(new Event(reaches ? 'online' : 'offline')), reaches)

test('a device that cannot keep: that is said, all goes straight to school, and it is said no more when it can', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Noor Farrant'], pdf)
  const page = await somebody()
  await openCopy(server, page, lesson, 0)
  await keeping(page, false)
  await drawWithPen(page, line(1))
  await expect.poll(() => eventsAtSchool(lesson)).toBe(1)
  await reach(page, false)
  await drawWithPen(page, line(2))
  await drawWithPen(page, line(3))
  await expect(sign(page, 'unsafe')).toContainText('leave this page open')
  // One success must not hide what failed.
  await keeping(page, true)
  await expect(sign(page, 'here')).toBeVisible()
  await page.reload()
  await expectInk(page, middle(2))
  await expectInk(page, middle(3))
  await expect.poll(() => eventsAtSchool(lesson)).toBe(3)
})

test('a browser that will not open its store at all: one works on, straight to school', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Ilja Egorov'], pdf)
  const page = await somebody()
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('not here', 'SecurityError')
    }
  })
  await openCopy(server, page, lesson, 0)
  await drawWithPen(page, line(1))
  await expect.poll(() => eventsAtSchool(lesson)).toBe(1)
  await expect(sign(page, 'full')).toContainText('stay connected')
})

test('what the browser kept is cleared under one’s hands: it is kept again, and arrives', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Zélie Rahman'], pdf)
  const page = await somebody()
  await openCopy(server, page, lesson, 0)
  await reach(page, false)
  await drawWithPen(page, line(1))
  await expect(sign(page, 'here')).toBeVisible()
  const cleared = await page.evaluate(
    () =>
      new Promise<boolean>((done) => {
        const asked = indexedDB.deleteDatabase('hand-back')
        asked.onsuccess = () => done(true)
        asked.onerror = () => done(false)
      }),
  )
  expect(cleared).toBe(true)
  await drawWithPen(page, line(2))
  const waiting = () =>
    page.evaluate(async () => {
      // Opening it would make it.
      if (!(await indexedDB.databases()).some(({ name }) => name === 'hand-back')) return 0
      return new Promise<number>((done) => {
        const opening = indexedDB.open('hand-back')
        opening.onsuccess = () => {
          const count = opening.result.transaction('outgoing').objectStore('outgoing').count()
          count.onsuccess = () => {
            opening.result.close()
            done(count.result)
          }
        }
      })
    })
  await expect.poll(waiting, { timeout: 15_000 }).toBe(2)
  await reach(page, true)
  await expectKept(page)
  expect(await eventsAtSchool(lesson)).toBe(2)
})

test('an answer typed without a pause survives the end of the tab', async ({ somebody }) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, ['Sunniva Okoro'], pdf, false)
  const headers = { origin: server.url }
  const sheet = await (await teacher.request.get(`${server.url}/api/worksheets/${lesson.worksheet}`)).json()
  const [page] = sheet.sheet.pages
  const box = { id: randomUUID(), kind: 'typed', label: 'Your answer', takes: 'lines', size: 14 }
  const kept = await teacher.request.put(`${server.url}/api/worksheets/${lesson.worksheet}/sheet`, {
    headers,
    data: {
      revision: sheet.revision,
      order: [page.id],
      pages: [{ ...page, printed: [{ ...box, x: 60, y: 120, width: 400, height: 120 }] }],
      sets: [],
    },
  })
  expect(kept.ok()).toBe(true)
  const whole = await giveOut(server, teacher, lesson)
  const copy = whole.copies[0]!.id
  const first = await somebody()
  await openCopy(server, first, { ...lesson, students: [{ ...lesson.students[0]!, copy }] }, 0)
  await first.getByLabel('Your answer').pressSequentially('high water at half past six', { delay: 60 })
  const cdp = await first.context().newCDPSession(first)
  void cdp.send('Page.crash').catch(() => {})
  const next = await first.context().newPage()
  await next.goto(`${server.url}/copy/${copy}`)
  await expect(next.getByLabel('Your answer')).toHaveValue('high water at half past six')
  await expect
    .poll(async () => {
      const rows = await server.rows<{ body: string }>(
        'SELECT body::text FROM event WHERE copy_id = $1 ORDER BY seq DESC LIMIT 1',
        [copy],
      )
      return rows[0]?.body
    })
    .toContain('high water at half past six')
})

test('a teacher changes the password: other devices are out, this one stays; then out everywhere', async ({
  somebody,
}) => {
  const here = await somebody()
  await prepareLesson(server, here, [], pdf, false)
  const name = 'Marit Abara'
  const signIn = async (page: Page, password: string) => {
    await page.goto(server.url)
    await page.getByRole('button', { name: 'I am a teacher' }).click()
    await page.getByLabel('Name').fill(name)
    await page.getByLabel('Password').fill(password)
    await page.getByRole('button', { name: 'Come in' }).click()
  }
  const staffRoom = await somebody()
  await signIn(staffRoom, 'low tide at noon')
  await expect(staffRoom.getByRole('button', { name })).toBeVisible()

  await here.goto(server.url)
  await here.getByRole('button', { name }).click()
  await here.getByLabel('The one you have now').fill('not the one')
  await here.getByLabel('The new one').fill('spring tide at dawn')
  await here.getByRole('button', { name: 'Change it' }).click()
  await expect(here.getByRole('alert')).toBeVisible()
  await here.getByLabel('The one you have now').fill('low tide at noon')
  await here.getByRole('button', { name: 'Change it' }).click()
  await expect(here.getByText('Your password is changed.')).toBeVisible()
  await staffRoom.reload()
  await expect(staffRoom.getByRole('button', { name: 'I am a teacher' })).toBeVisible()
  await expect(here.getByRole('button', { name })).toBeVisible()

  await signIn(staffRoom, 'spring tide at dawn')
  await expect(staffRoom.getByRole('button', { name })).toBeVisible()
  await staffRoom.getByRole('button', { name }).click()
  await staffRoom.getByRole('button', { name: 'Sign out everywhere' }).click()
  for (const page of [staffRoom, here]) {
    await page.goto(server.url)
    await expect(page.getByRole('button', { name: 'I am a teacher' })).toBeVisible()
  }
})
