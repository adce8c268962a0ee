import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { type Lesson, openCopy, prepareLesson, signInStudent } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, drawWithPen, expectInk, expectKept, onScreen, touch } from './hands/hands.ts'

// A tablet that several use one after the other, and what is on it when something goes wrong.

const server = testServer()
const pdf = await makePdf([{}, {}])

const line = (number: number) => along({ x: 80, y: 80 + number * 22 }, { x: 200, y: 80 + number * 22 }, 6)
const middle = (number: number) => ({ x: 140, y: 80 + number * 22 })

/** Whose strokes school has of a copy. */
async function authorsOf(lesson: Lesson, index: number): Promise<string[]> {
  const rows = await server.rows<{ author_id: string }>(
    "SELECT author_id FROM event WHERE copy_id = $1 AND layer = 'work' ORDER BY seq",
    [lesson.students[index]!.copy],
  )
  return rows.map(({ author_id }) => author_id)
}

/** How much the outbox of this browser has, of all tabs. */
const waitingHere = () =>
  new Promise<number>((done) => {
    const opening = indexedDB.open('hand-back')
    opening.onsuccess = () => {
      const count = opening.result.transaction('outgoing').objectStore('outgoing').count()
      count.onsuccess = () => {
        opening.result.close()
        done(count.result)
      }
    }
  })

/** Everything that a browser keeps for this address, but what waits in the outbox. */
const leftOn = (page: Page) =>
  page.evaluate(async () => {
    const logs = await new Promise<number>((done) => {
      const opening = indexedDB.open('hand-back-logs')
      opening.onsuccess = () => {
        const db = opening.result
        if (!db.objectStoreNames.contains('read')) return done(0)
        const count = db.transaction('read').objectStore('read').count()
        count.onsuccess = () => done(count.result)
      }
    })
    const caches = await globalThis.caches.keys()
    const work = caches.includes('work') ? await (await globalThis.caches.open('work')).keys() : []
    return {
      logs,
      notes: Object.keys(localStorage).filter((key) => !/^(pen seen|sign-out owed)/.test(key)),
      session: sessionStorage.length,
      work: work.map(({ url }) => new URL(url).pathname).filter((path) => path !== '/api/me'),
    }
  })

test('what one left unsent is neither seen nor sent by the next at the tablet, and goes as theirs later', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Noor Farrant', 'Ilja Egorov'], pdf)
  const tablet = await somebody({ viewport: { width: 820, height: 1180 }, hasTouch: true })
  await openCopy(server, tablet, lesson, 0)
  await drawWithPen(tablet, line(0))
  await expectKept(tablet)
  // What signing out asks is on the device a moment after the copy is open.
  await tablet.waitForFunction(() =>
    performance.getEntriesByType('resource').some(({ name }) => name.includes('NotAtSchool')),
  )
  await tablet.context().setOffline(true)
  for (const number of [1, 2, 3]) await drawWithPen(tablet, line(number))
  await expect(tablet.locator('[data-kept=here]')).toBeVisible()
  await tablet.getByRole('link', { name: 'My tray' }).click()
  await tablet.getByRole('button', { name: 'Sign out' }).click()
  await expect(tablet.getByRole('heading', { name: '3 strokes have not reached school' })).toBeVisible()
  await tablet.getByRole('button', { name: 'Sign out now' }).click()
  await expect(tablet.getByRole('heading', { name: 'Hand Back', exact: true })).toBeVisible()
  expect(await leftOn(tablet)).toEqual({ logs: 0, notes: [], session: 0, work: [] })

  // School learns of it when it can be reached: whoever opens the tablet is not Noor.
  await tablet.context().setOffline(false)
  await tablet.reload()
  await expect(tablet.getByText('I am a teacher')).toBeVisible()
  await openCopy(server, tablet, lesson, 1)
  await drawWithPen(tablet, line(5))
  await expectKept(tablet)
  await tablet.reload()
  await tablet.locator('main[aria-busy=false]').waitFor()
  await expectInk(tablet, middle(5))
  await expectInk(tablet, middle(2), false)
  const [noor, ilja] = lesson.students.map(({ id }) => id)
  expect(await authorsOf(lesson, 0)).toEqual([noor])
  expect(await authorsOf(lesson, 1)).toEqual([ilja])

  await openCopy(server, tablet, lesson, 0)
  await expect.poll(() => authorsOf(lesson, 0)).toEqual([noor, noor, noor, noor])
  await expectInk(tablet, middle(3))
})

test('another signs in in a second tab: the first sends nothing in their name', async ({ somebody }) => {
  const lesson = await prepareLesson(server, await somebody(), ['Wanda Petrov', 'Kofi Grünwald'], pdf)
  const first = await somebody()
  await openCopy(server, first, lesson, 0)
  await server.kill()
  for (const number of [0, 1]) await drawWithPen(first, line(number))
  await expect(first.locator('[data-kept=here]')).toBeVisible()
  await server.start()
  const second = await first.context().newPage()
  await signInStudent(server, second, lesson, 1)
  await second.goto(`${server.url}/copy/${lesson.students[1]!.copy}`)
  await second.locator('main[aria-busy=false]').waitFor()
  // Sent before the other came, or held for its maker: never as the other's.
  await expect(first.getByText('Wanda Petrov')).toHaveCount(0)
  const [wanda] = lesson.students.map(({ id }) => id)
  expect(new Set([...(await authorsOf(lesson, 0)), wanda])).toEqual(new Set([wanda]))
  expect(await authorsOf(lesson, 1)).toEqual([])
  await openCopy(server, second, lesson, 0)
  await expect.poll(() => authorsOf(lesson, 0)).toEqual([wanda, wanda])
})

test('withdrawn while one writes: it waits here, is said, and arrives when the copy is out again', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, ['Pia Jankauskas'], pdf)
  const pia = await somebody()
  await openCopy(server, pia, lesson, 0)
  await drawWithPen(pia, line(0))
  await expectKept(pia)
  await pia.context().setOffline(true)
  await drawWithPen(pia, line(1))
  const change = (withdrawn: boolean) =>
    teacher.request.patch(`${server.url}/api/handouts/${lesson.handout}`, {
      data: { withdrawn },
      headers: { origin: server.url },
    })
  await change(true)
  await pia.context().setOffline(false)
  await expect(pia.getByText('Your teacher does not have this out just now.')).toBeVisible()
  await expect(pia.locator('[data-kept=held]')).toHaveText(/1 change only on this device/)
  expect(await authorsOf(lesson, 0)).toHaveLength(1)
  await change(false)
  await expect.poll(() => authorsOf(lesson, 0)).toHaveLength(2)
  await expectInk(pia, middle(1))
})

test('what is held can be taken away as a file, and only a person deletes it', async ({ somebody }) => {
  const lesson = await prepareLesson(server, await somebody(), ['Amaru Mensah'], pdf)
  const here = await somebody({ acceptDownloads: true })
  await openCopy(server, here, lesson, 0)
  await here.context().setOffline(true)
  await drawWithPen(here, line(1))
  const there = await somebody()
  await openCopy(server, there, lesson, 0)
  await there.getByRole('button', { name: 'Hand in' }).click()
  await there.getByRole('button', { name: 'Hand in anyway' }).click()
  await here.context().setOffline(false)
  await here.locator('[data-kept=held]').click()
  const panel = here.getByRole('dialog', { name: 'Where your work is' })
  await expect(panel.getByText('This copy is not yours to write on just now.')).toBeVisible()
  const saved = here.waitForEvent('download')
  await panel.getByRole('button', { name: 'Save as a file' }).click()
  expect((await saved).suggestedFilename()).toMatch(/not yet at school/)
  await panel.getByRole('button', { name: 'Delete 1 stroke …' }).click()
  await panel.getByRole('button', { name: 'Delete 1 stroke for ever' }).click()
  await panel.getByRole('button', { name: 'Close' }).click()
  await expectKept(here)
  await expectInk(here, middle(1), false)
})

test('what a closed tab left is sent by the one still open, at once', async ({ somebody }) => {
  const lesson = await prepareLesson(server, await somebody(), ['Freya Vasquez'], pdf)
  const first = await somebody()
  await openCopy(server, first, lesson, 0)
  const second = await first.context().newPage()
  await second.goto(server.url)
  await expect(second.getByRole('heading', { name: 'In your hands' })).toBeVisible()
  // Only this tab is cut off: its connection takes nothing.
  await first.evaluate(() => {
    dispatchEvent(new Event('offline'))
  })
  await expect(first.locator('[data-kept=here]')).toBeVisible()
  await drawWithPen(first, line(1))
  await drawWithPen(first, line(2))
  await expect.poll(() => second.evaluate(waitingHere)).toBe(2)
  expect(await authorsOf(lesson, 0)).toEqual([])
  await first.close({ runBeforeUnload: false })
  await expect.poll(() => authorsOf(lesson, 0)).toHaveLength(2)
})

test('words typed without a pause survive the end of the tab', async ({ somebody }) => {
  const lesson = await prepareLesson(server, await somebody(), ['Zélie Rahman'], pdf)
  const first = await somebody()
  await openCopy(server, first, lesson, 0)
  await first.getByRole('button', { name: 'Add' }).click()
  await first.getByRole('button', { name: 'Words', exact: true }).click()
  const at = await onScreen(first, { x: 100, y: 200 })
  await first.mouse.click(at.x, at.y)
  const field = first.getByTestId('words')
  await field.pressSequentially('the ebb runs out by the old pier', { delay: 60 })
  // A crash: no event tells the page that it ends.
  const cdp = await first.context().newCDPSession(first)
  void cdp.send('Page.crash').catch(() => {})
  const next = await first.context().newPage()
  await next.goto(`${server.url}/copy/${lesson.students[0]!.copy}`)
  await next.locator('main[aria-busy=false]').waitFor()
  const said = () =>
    server.rows<{ said: string }>(
      `SELECT coalesce(body->'set'->'thing'->>'text', body->'items'->0->>'text') AS said FROM event
       WHERE copy_id = $1 ORDER BY seq DESC LIMIT 1`,
      [lesson.students[0]!.copy],
    )
  await expect.poll(async () => (await said())[0]?.said).toBe('the ebb runs out by the old pier')
})

test('a long stroke of a finger that becomes a pinch is kept; a touch that only began is not', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Sunniva Okoro'], pdf)
  const page = await somebody({ viewport: { width: 820, height: 1180 }, hasTouch: true })
  await openCopy(server, page, lesson, 0)
  const way = await Promise.all(
    along({ x: 80, y: 200 }, { x: 240, y: 200 }, 24).map((at) => onScreen(page, at)),
  )
  await touch(page, 'touchStart', [way[0]!])
  for (const at of way.slice(1)) await touch(page, 'touchMove', [at])
  const other = { x: way.at(-1)!.x, y: way.at(-1)!.y + 150 }
  await touch(page, 'touchStart', [way.at(-1)!, other])
  await touch(page, 'touchEnd', [])
  await expect.poll(() => authorsOf(lesson, 0)).toHaveLength(1)
  const began = await onScreen(page, { x: 100, y: 400 })
  await touch(page, 'touchStart', [began])
  await touch(page, 'touchStart', [began, { x: began.x, y: began.y + 120 }])
  await touch(page, 'touchEnd', [])
  await expectKept(page)
  expect(await authorsOf(lesson, 0)).toHaveLength(1)
})
