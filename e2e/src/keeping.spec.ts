import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { handIn, type Lesson, openCopy, prepareLesson } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithMouse, drawWithPen, expectInk, expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])

/** Every stroke is a short line at its own height; where it lies on the page. */
const line = (number: number) => along({ x: 80, y: 80 + number * 22 }, { x: 200, y: 80 + number * 22 }, 6)
const middle = (number: number) => ({ x: 140, y: 80 + number * 22 })

async function strokesOf(lesson: Lesson, index: number): Promise<number> {
  const [row] = await server.rows<{ count: number }>(
    "SELECT count(*)::int FROM event WHERE copy_id = $1 AND layer = 'work'",
    [lesson.students[index]!.copy],
  )
  return row!.count
}

test('the server killed in the middle of a run of strokes loses and doubles nothing', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Noor Farrant'], pdf)
  const noor = await somebody()
  await openCopy(server, noor, lesson, 0)
  for (let number = 0; number < 5; number++) await drawWithPen(noor, line(number))
  const killing = server.kill()
  for (let number = 5; number < 10; number++) await drawWithPen(noor, line(number))
  await killing
  await expect(noor.locator('[data-kept=here]')).toBeVisible()
  for (let number = 10; number < 14; number++) await drawWithPen(noor, line(number))
  await server.start()
  await expectKept(noor)
  await expect.poll(() => strokesOf(lesson, 0)).toBe(14)
  await noor.reload()
  await noor.locator('main[aria-busy=false]').waitFor()
  for (let number = 0; number < 14; number++) await expectInk(noor, middle(number))
})

test('the tab closed while school is out of reach: what was drawn arrives from the next tab', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Ilja Egorov'], pdf)
  const first = await somebody()
  await openCopy(server, first, lesson, 0)
  await drawWithPen(first, line(0))
  await expectKept(first)
  await first.context().setOffline(true)
  await expect(first.locator('[data-kept=here]')).toBeVisible()
  for (let number = 1; number < 6; number++) await drawWithMouse(first, line(number))
  await expectInk(first, middle(5))
  expect(await strokesOf(lesson, 0)).toBe(1)
  const tab = await first.context().newPage()
  await first.close()
  await tab.context().setOffline(false)
  // Not even the copy itself is opened: being here is enough.
  await tab.goto(server.url)
  await expect(tab.getByText('Reading a tide table')).toBeVisible()
  await expect.poll(() => strokesOf(lesson, 0)).toBe(6)
})

test('the network gone and back, with the page left open', async ({ somebody }) => {
  const lesson = await prepareLesson(server, await somebody(), ['Maeve Hossain'], pdf)
  const maeve = await somebody()
  await openCopy(server, maeve, lesson, 0)
  await maeve.context().setOffline(true)
  for (let number = 0; number < 4; number++) await drawWithPen(maeve, line(number))
  await maeve.keyboard.press('Control+z')
  await expectInk(maeve, middle(3), false)
  await maeve.context().setOffline(false)
  await expectKept(maeve)
  expect(await strokesOf(lesson, 0)).toBe(5)
})

test('the database gone and back: the server lives on, the device holds the ink until it is durable', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Sunniva Dahl'], pdf)
  const sunniva = await somebody()
  await openCopy(server, sunniva, lesson, 0)
  await drawWithPen(sunniva, line(0))
  await expectKept(sunniva)
  await server.letDatabase(false)
  for (let number = 1; number < 4; number++) await drawWithPen(sunniva, line(number))
  await expect(sunniva.locator('[data-kept=going], [data-kept=here]')).toBeVisible()
  await server.letDatabase(true)
  await expectKept(sunniva)
  expect(await strokesOf(lesson, 0)).toBe(4)
  // The live connection came through it too.
  const tablet = await somebody()
  await openCopy(server, tablet, lesson, 0)
  await drawWithPen(sunniva, line(4))
  await expectInk(tablet, middle(4))
})

test('two devices on one copy see each other’s ink as it comes', async ({ somebody }) => {
  const lesson = await prepareLesson(server, await somebody(), ['Kofi Grünwald'], pdf)
  const laptop = await somebody()
  const tablet = await somebody({ viewport: { width: 820, height: 1180 }, hasTouch: true })
  await openCopy(server, laptop, lesson, 0)
  await openCopy(server, tablet, lesson, 0)
  await drawWithMouse(laptop, line(1))
  await expectInk(tablet, middle(1))
  await drawWithPen(tablet, line(3))
  await expectInk(laptop, middle(3))
  // Undo reaches what the same person did on the other device.
  await laptop.keyboard.press('Control+z')
  await expectInk(tablet, middle(3), false)
  await expectInk(tablet, middle(1))
})

test('ink made after the copy was handed in elsewhere stays on the device and is said to', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Pia Jankauskas'], pdf)
  const here = await somebody()
  const there = await somebody()
  await openCopy(server, here, lesson, 0)
  await openCopy(server, there, lesson, 0)
  await here.context().setOffline(true)
  await drawWithPen(here, line(2))
  await handIn(there)
  await expect(there.getByRole('button', { name: 'Take back' })).toBeVisible()
  await here.context().setOffline(false)
  await expect(here.locator('[data-kept=held]')).toBeVisible()
  expect(await strokesOf(lesson, 0)).toBe(0)
  await there.getByRole('button', { name: 'Take back' }).click()
  await expectKept(here)
  await expectInk(there, middle(2))
})

test('opened again without a network: the copy is there with its ink, one writes on, and it arrives later', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Ilja Egorov'], pdf)
  const page = await somebody()
  await openCopy(server, page, lesson, 0)
  await drawWithPen(page, line(0))
  await expectKept(page)
  const onDevice = (shelf: string) =>
    page.evaluate(async (name) => {
      const answers = await (await caches.open(name)).keys()
      return answers.map(({ url }) => new URL(url).pathname)
    }, shelf)
  const needed = ['/api/me', `/api/copies/${lesson.students[0]!.copy}`]
  await expect.poll(() => onDevice('work')).toEqual(expect.arrayContaining(needed))
  await expect.poll(async () => (await onDevice('work')).some((path) => path.includes('/files/'))).toBe(true)
  await expect
    .poll(async () => (await onDevice('screens')).some((path) => path.includes('paperWorker')))
    .toBe(true)
  // What is read is kept a moment after it is shown.
  await expect.poll(() => page.evaluate(rowsIn, ['hand-back-logs', 'read'] as const)).toBeGreaterThan(0)
  await page.context().setOffline(true)
  await page.reload()
  await page.locator('main[aria-busy=false]').waitFor()
  await expectInk(page, middle(0))
  await expect(page.locator('[data-kept=here]')).toBeVisible()
  await drawWithPen(page, line(1))
  await expectInk(page, middle(1))
  // In the device's database: milliseconds after it is seen.
  await expect.poll(() => page.evaluate(rowsIn, ['hand-back', 'outgoing'] as const)).toBe(1)
  await page.reload()
  await page.locator('main[aria-busy=false]').waitFor()
  await expectInk(page, middle(0))
  await expectInk(page, middle(1))
  await page.context().setOffline(false)
  await expectKept(page)
  expect(await strokesOf(lesson, 0)).toBe(2)

  // Whoever comes next on this device finds nothing of it.
  await page.goto(server.url)
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page.getByLabel('Class code')).toBeVisible()
  const left = await onDevice('work')
  expect(left.filter((path) => path !== '/api/me')).toEqual([])
  expect(await page.evaluate(async () => (await fetch('/api/me')).json())).toBeNull()
})

/** How many rows a store of one of the device's databases has. */
async function rowsIn([database, store]: readonly [string, string]): Promise<number> {
  const open = indexedDB.open(database)
  await new Promise((done) => {
    open.onsuccess = done
  })
  const count = open.result.transaction(store).objectStore(store).count()
  await new Promise((done) => {
    count.onsuccess = done
  })
  open.result.close()
  return count.result
}

test('a part that cannot be fetched just now says so; the page goes on, and the part opens when school is there again', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Ngozi Vale'], pdf)
  const ngozi = await somebody({ serviceWorkers: 'block' })
  // Among them one that only others import: the browser must not be left remembering that it failed.
  const parts = '**/assets/{LookBack,KeysDialog,PickedBox,useHold}*'
  await ngozi.route(parts, (route) => route.abort('internetdisconnected'))
  await openCopy(server, ngozi, lesson, 0)
  await drawWithMouse(ngozi, along({ x: 80, y: 150 }, { x: 300, y: 150 }))
  for (const part of ['Look back', 'Keys']) {
    await button(ngozi, 'View').click()
    await button(ngozi, part).click()
    await expect(ngozi.getByText(/School cannot be reached, and this part/).first()).toBeVisible()
    await ngozi.keyboard.press('Escape')
  }
  await drawWithMouse(ngozi, along({ x: 80, y: 200 }, { x: 300, y: 200 }))
  await expectInk(ngozi, { x: 200, y: 150 })
  await expectInk(ngozi, { x: 200, y: 200 })
  await expectKept(ngozi)
  await ngozi.keyboard.press('Control+a')
  await expect(ngozi.getByTestId('picked')).toBeHidden()
  await ngozi.unroute(parts)
  await ngozi.keyboard.press('Control+a')
  await expect(ngozi.getByTestId('picked')).toBeVisible()
  await ngozi.keyboard.press('Escape')
  await button(ngozi, 'View').click()
  await button(ngozi, 'Look back').click()
  await expect(button(ngozi, 'Bring this page back')).toBeVisible()
})

test('out of reach, one looks back at what this device has, with what waits, and makes the page like it was', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Oisín Park'], pdf)
  const oisin = await somebody()
  await openCopy(server, oisin, lesson, 0)
  for (const number of [1, 3]) await drawWithMouse(oisin, line(number))
  await expectKept(oisin)
  // The device writes down what it has read a moment later.
  const read = () =>
    oisin.evaluate(
      () =>
        new Promise<number>((done) => {
          const opening = indexedDB.open('hand-back-logs')
          opening.onsuccess = () => {
            const rows = opening.result.transaction('read').objectStore('read').getAll()
            rows.onsuccess = () => done(rows.result.flatMap(({ events }) => events).length)
          }
        }),
    )
  await expect.poll(read).toBe(2)
  const back = oisin.getByRole('slider', { name: 'How far back' })
  await button(oisin, 'View').click()
  await button(oisin, 'Look back').click()
  await expect(back).toHaveValue('2')
  await oisin.keyboard.press('Escape')
  await oisin.context().setOffline(true)
  await drawWithMouse(oisin, line(5))
  await expect(oisin.locator('[data-kept=here]')).toBeVisible()
  await button(oisin, 'View').click()
  await button(oisin, 'Look back').click()
  await expect(back).toHaveValue('3')
  await back.fill('1')
  await button(oisin, 'Bring this page back').click()
  await expectInk(oisin, middle(1))
  await expectInk(oisin, middle(3), false)
  await expectInk(oisin, middle(5), false)
  await oisin.context().setOffline(false)
  await expectKept(oisin)
  await oisin.reload()
  await oisin.locator('main[aria-busy=false]').waitFor()
  await expectInk(oisin, middle(1))
  await expectInk(oisin, middle(5), false)
})
