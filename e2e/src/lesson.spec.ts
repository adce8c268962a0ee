import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { type Lesson, openCopy, prepareLesson } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithMouse, expectInk, expectKept, onScreen } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])
const NAMES = ['Noor', 'Emre', 'Lotte', 'Wanda', 'Rafi', 'Yusuf', 'Aylin', 'Diego'].map(
  (name) => `${name} Farrant`,
)
const A_DAY = 86_400_000

const drawAt = (page: Page, y: number) => drawWithMouse(page, along({ x: 150, y }, { x: 420, y }))
const toRoom = async (teacher: Page, lesson: Lesson) => {
  await teacher.goto(`${server.url}/handout/${lesson.handout}/room`)
  await expect(teacher.getByRole('region', { name: 'To the class' })).toBeVisible()
}

test('a class of eight on two servers: all see the time, put pens down, look at a page and are told a line', async ({
  somebody,
}) => {
  test.setTimeout(120_000)
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES, pdf)
  const second = await server.another()
  const students: Page[] = []
  for (const index of NAMES.keys()) {
    const student = await somebody()
    // The clock of one is wrong by a day.
    if (index === 2)
      await student.addInitScript(`{ const now = Date.now; Date.now = () => now() + ${A_DAY} }`)
    await openCopy(index % 2 === 0 ? server : second, student, lesson, index)
    students.push(student)
  }
  const [noor, emre, lotte, wanda] = students as [Page, Page, Page, Page]
  await toRoom(teacher, lesson)
  for (const name of NAMES)
    await expect(teacher.locator('main').getByRole('link', { name: name.split(' ')[0]! })).toHaveAttribute(
      'data-doing',
      /writing|here/,
    )

  await teacher.getByLabel('minutes', { exact: true }).fill('12')
  await button(teacher, 'Start').click()
  const secondsAt = async (page: Page) => {
    const [minutes, seconds] = (await page.getByRole('timer').textContent())!.trim().split(':').map(Number)
    return minutes! * 60 + seconds!
  }
  for (const page of students) await expect(page.getByRole('timer')).toHaveText(/^1[12]:\d\d$/)
  const shown = await Promise.all([teacher, ...students].map(secondsAt))
  expect(Math.max(...shown) - Math.min(...shown)).toBeLessThanOrEqual(1)
  await button(teacher, 'Pause').click()
  await expect(noor.getByRole('timer')).toContainText('waits')
  await button(teacher, '+ 5 min').click()
  await expect(lotte.getByRole('timer')).toHaveText(/^1[67]:\d\d\s*waits$/)
  await button(teacher, 'Go on').click()

  // Pens down: a stroke under way is finished, no other begins, and whoever is out of reach loses nothing.
  await wanda.context().setOffline(true)
  const [from, to] = await Promise.all([
    onScreen(noor, { x: 150, y: 200 }),
    onScreen(noor, { x: 420, y: 200 }),
  ])
  await noor.mouse.move(from.x, from.y)
  await noor.mouse.down()
  await noor.mouse.move((from.x + to.x) / 2, from.y, { steps: 4 })
  await button(teacher, 'Pens down').click()
  for (const page of students.filter((each) => each !== wanda))
    await expect(page.getByText('Pens down.')).toBeVisible()
  await noor.mouse.move(to.x, to.y, { steps: 4 })
  await noor.mouse.up()
  await expectInk(noor, { x: 400, y: 200 })
  await expectKept(noor)
  await drawAt(emre, 300)
  await expectInk(emre, { x: 300, y: 300 }, false)
  await drawAt(wanda, 300)
  await expectInk(wanda, { x: 300, y: 300 })
  await wanda.context().setOffline(false)
  await expect(wanda.getByText('Pens down.')).toBeVisible()
  await button(teacher, 'Pens up').click()
  await expect(wanda.getByText('Pens down.')).toHaveCount(0)
  await expectKept(wanda)
  await drawAt(emre, 340)
  await expectInk(emre, { x: 300, y: 340 })
  await expectKept(emre)

  // Everybody looks at a page, and stays.
  await button(teacher, 'Look at').click()
  await teacher.getByLabel('and stays there').check()
  await button(teacher, 'Page 2').click()
  for (const page of students) await expect(page.getByText('page 2 of 2')).toBeVisible()
  await noor.keyboard.press('PageUp')
  await expect(noor.getByText('All stay on page 2 for now.')).toBeVisible()
  await expect(noor.getByText('page 2 of 2')).toBeVisible()
  await button(teacher, 'Take this back').click()
  await expect(noor.getByText('All stay on page 2')).toHaveCount(0)
  await noor.keyboard.press('PageUp')
  await expect(noor.getByText('page 1 of 2')).toBeVisible()

  // A line to all, and one to one.
  const sayTo = async (to: string, words: string) => {
    await button(teacher, 'Say').click()
    await teacher.getByLabel('To', { exact: true }).selectOption({ label: to })
    await teacher.getByLabel('What you say').fill(words)
    await button(teacher, 'Send').click()
  }
  await sayTo('to everybody', 'Five minutes more')
  await sayTo('to Emre Farrant', 'Look at the axis again')
  for (const page of students) await expect(page.getByText('Five minutes more')).toBeVisible()
  await expect(emre.getByText('Look at the axis again')).toBeVisible()
  await expect(noor.getByText('axis')).toHaveCount(0)
  await button(noor, 'Got it').click()
  await expect(noor.getByText('Five minutes more')).toHaveCount(0)
  // Whoever comes late is told what stands.
  await emre.reload()
  await expect(emre.getByText('Look at the axis again')).toBeVisible()
  await expect(emre.getByRole('timer')).toHaveText(/^1[67]:\d\d$/)
})

test('time that is up is heard once, and said to who was there', async ({ somebody }) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES.slice(0, 1), pdf)
  const noor = await somebody()
  await noor.addInitScript(
    `{ window.notes = 0; const Note = OscillatorNode; window.OscillatorNode = class extends Note { start(...at) { window.notes++; super.start(...at) } } }`,
  )
  await openCopy(server, noor, lesson, 0)
  await toRoom(teacher, lesson)
  await teacher.getByLabel('minutes', { exact: true }).fill('0')
  await expect(button(teacher, 'Start')).toBeDisabled()
  await teacher.getByLabel('minutes', { exact: true }).fill('0.17')
  await button(teacher, 'Start').click()
  await expect(noor.getByRole('timer')).toHaveText(/0:0\d/)
  await expect(noor.getByRole('timer')).toHaveText('Time is up', { timeout: 15_000 })
  await expect(teacher.getByRole('timer')).toHaveText('Time is up')
  expect(await noor.evaluate('window.notes')).toBe(2)
  await noor.reload()
  await expect(noor.getByRole('timer')).toHaveText('Time is up')
  expect(await noor.evaluate('window.notes')).toBe(0)
  await button(teacher, 'End').click()
  await expect(noor.getByRole('timer')).toHaveCount(0)
})

test('the front shows a page, or a copy without its name, in as many windows as there are; what is pointed at is seen by whom it is for', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES.slice(0, 2), pdf)
  const noor = await somebody()
  await openCopy(server, noor, lesson, 0)
  const emre = await somebody()
  await openCopy(server, emre, lesson, 1)
  await teacher.goto(`${server.url}/handout/${lesson.handout}/room`)
  await teacher.getByRole('link', { name: 'Front' }).click()
  await expect(teacher.getByText('Nothing is shown')).toBeVisible()
  const opened = teacher.context().waitForEvent('page')
  await button(teacher, 'Window for the projector').click()
  const projector = await opened
  const again = await teacher.context().newPage()
  await again.goto(`${server.url}/handout/${lesson.handout}/front/window`)
  const windows = [projector, again]
  await button(teacher, 'Show page 1').click()
  for (const each of windows) await expect(each.getByTestId('front-sheet')).toBeVisible()
  // Pointed at a page, all see it on theirs.
  const pointing = async (sheet: number) => {
    const hand = (await teacher.getByTestId('front-hand').nth(sheet).boundingBox())!
    await teacher.mouse.move(hand.x + hand.width / 2, hand.y + hand.height / 2)
    await teacher.mouse.down()
    await teacher.mouse.up()
  }
  const seenAt = [noor, emre, projector].map((each) => expect(each.getByTestId('pointed-at')).toBeVisible())
  await pointing(0)
  await Promise.all(seenAt)

  // A copy: live, without its name unless that is said, and no other student is shown it.
  await teacher.getByLabel('Whose copy').selectOption({ label: 'Noor Farrant' })
  await button(teacher, 'Show').click()
  await drawAt(noor, 250)
  for (const each of windows) await expectInk(each, { x: 300, y: 250 }, true, 'front-page')
  await expect(projector.getByText('Noor')).toHaveCount(0)
  await expectInk(emre, { x: 300, y: 250 }, false)
  const row = teacher.getByRole('region', { name: 'Noor Farrant' })
  await row.getByLabel('with the name').click()
  for (const each of windows) await expect(each.getByText('Noor Farrant')).toBeVisible()
  await row.getByLabel('asked to write here').click()
  await expect(noor.getByText('Your page is at the front.')).toBeVisible()
  await expect(emre.getByText('Your page is at the front.')).toHaveCount(0)

  // Two side by side, and only a part of one.
  await teacher.getByLabel('Whose copy').selectOption({ label: 'Emre Farrant' })
  await button(teacher, 'Beside it').click()
  await expect(projector.getByTestId('front-sheet')).toHaveCount(2)
  await row.getByRole('button', { name: 'A part' }).click()
  const hand = (await teacher.getByTestId('draw-box').boundingBox())!
  await teacher.mouse.move(hand.x + 20, hand.y + 20)
  await teacher.mouse.down()
  await teacher.mouse.move(hand.x + hand.width - 20, hand.y + 120, { steps: 4 })
  await teacher.mouse.up()
  await expect(row.getByRole('button', { name: 'All of it' })).toBeVisible()
  const shape = async () => {
    const { width, height } = (await projector.getByTestId('front-sheet').first().boundingBox())!
    return width / height
  }
  await expect.poll(shape).toBeGreaterThan(2)
  await button(teacher, 'Take it off').click()
  for (const each of windows) await expect(each.getByText('Nothing is shown just now.')).toBeVisible()
  await expect(noor.getByText('Your page is at the front.')).toHaveCount(0)
})

test('the same help is given to several, and the teacher goes where a student looks on the page', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES.slice(0, 3), pdf)
  const [noor, emre, lotte] = [await somebody(), await somebody(), await somebody()]
  for (const [index, student] of [noor, emre, lotte].entries()) await openCopy(server, student, lesson, index)
  await toRoom(teacher, lesson)
  const card = teacher.locator('main').getByRole('link', { name: 'Noor' })
  await expect(card).toContainText('0 of 2 pages written on')
  await drawAt(noor, 400)
  await expect(card).toContainText('1 of 2 pages written on')
  await card.click()
  await teacher.locator('main[aria-busy=false]').waitFor()
  await drawAt(teacher, 220)
  await expectInk(noor, { x: 300, y: 220 })
  await button(teacher, 'Give to others').click()
  await teacher.getByLabel('Emre Farrant').check()
  await button(teacher, 'Give').click()
  await expectInk(emre, { x: 300, y: 220 })
  await expectInk(lotte, { x: 300, y: 220 }, false)
  // It is help there too: a student does not rub it out, and can hide it.
  await button(emre, 'Hide help').click()
  await expectInk(emre, { x: 300, y: 220 }, false)

  const top = () => teacher.getByTestId('page').evaluate((page: HTMLElement) => Number(page.dataset.y))
  const before = await top()
  const { x, y } = await onScreen(noor, { x: 300, y: 300 })
  await noor.mouse.move(x, y)
  await noor.mouse.wheel(0, 400)
  await expect.poll(top).toBeLessThan(before - 50)
})

test('the teacher writes on a page at the front: it is shown, seen on everybody’s own copy where that is wanted, and handed out afterwards', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES.slice(0, 2), pdf)
  const noor = await somebody()
  await openCopy(server, noor, lesson, 0)
  await teacher.goto(`${server.url}/handout/${lesson.handout}/front`)
  await button(teacher, 'These pages').click()
  await teacher.locator('main[aria-busy=false]').waitFor()
  await drawAt(teacher, 200)
  await expectKept(teacher)
  await button(teacher, 'Show at the front').click()
  await expect(button(teacher, 'Take it off the front')).toBeVisible()
  const projector = await teacher.context().newPage()
  await projector.goto(`${server.url}/handout/${lesson.handout}/front/window`)
  await expectInk(projector, { x: 300, y: 200 }, true, 'front-page')
  await drawAt(teacher, 240)
  await expectInk(projector, { x: 300, y: 240 }, true, 'front-page')
  // It goes along when the page is turned, and a page more has no end.
  await teacher.keyboard.press('PageDown')
  await expectInk(projector, { x: 300, y: 200 }, false, 'front-page')
  await teacher.keyboard.press('PageUp')
  await expectInk(projector, { x: 300, y: 200 }, true, 'front-page')
  await expect(noor.getByTestId('front-ink')).toHaveCount(0)

  // Given to the class it lies over their own copies, and is no hindrance to what they write.
  const more = async (act: RegExp) => {
    await button(teacher, 'What becomes of it').click()
    await teacher.getByRole('menuitem', { name: act }).click()
  }
  await more(/to read/)
  const frontInk = () =>
    noor.getByTestId('front-ink').evaluate((canvas: HTMLCanvasElement) =>
      canvas
        .getContext('2d')!
        .getImageData(600, 396, 1, 9)
        .data.some((value) => value > 0),
    )
  await expect.poll(frontInk).toBe(true)
  await drawAt(noor, 200)
  await drawAt(noor, 330)
  await expectInk(noor, { x: 300, y: 200 })
  await expectInk(noor, { x: 300, y: 330 })
  await noor.keyboard.press('Control+a')
  await noor.keyboard.press('Delete')
  await expectInk(noor, { x: 300, y: 330 }, false)
  expect(await frontInk()).toBe(true)
  await button(noor, 'Hide front').click()
  await expect(noor.getByTestId('front-ink')).toHaveCount(0)

  // A student is asked to the front, and writes there from their own device.
  await button(teacher, 'Who writes?').click()
  await button(teacher, 'Noor Farrant').click()
  await noor.getByRole('link', { name: 'Go there' }).click()
  await expect(noor.getByText('You write at the front.')).toBeVisible()
  await noor.locator('main[aria-busy=false]').waitFor()
  await drawAt(noor, 420)
  await expectInk(projector, { x: 300, y: 420 }, true, 'front-page')
  await button(teacher, 'Noor Farrant writes').click()
  await expect(noor.getByText('You write at the front.')).toHaveCount(0)
  await drawAt(noor, 460)
  await expectInk(noor, { x: 300, y: 460 }, false)

  // Afterwards: everybody gets it as it is, each to work on.
  await more(/Hand out copies/)
  await teacher.getByLabel('Its name').fill('As it was on Monday')
  await button(teacher, 'Go on').click()
  await expect(teacher.getByRole('heading', { name: 'Hand out As it was on Monday' })).toBeVisible()
  await teacher.getByRole('button', { name: 'Hand out 2 copies' }).click()
  await noor.goto(server.url)
  await noor.getByRole('link', { name: /As it was on Monday/ }).click()
  await noor.locator('main[aria-busy=false]').waitFor()
  await drawAt(noor, 330)
  await expectInk(noor, { x: 300, y: 330 })
})

test('in a shared copy each finds their part, sees whose pen writes, and is told what happened meanwhile', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES.slice(0, 2), pdf, false)
  const answer = await teacher.request.post(`${server.url}/api/handouts`, {
    data: {
      request: crypto.randomUUID(),
      worksheet: lesson.worksheet,
      classes: [{ class: lesson.classId, way: 'all' }],
      ...{ opensAt: null, dueAt: null, directions: '', spoken: null, counts: true },
    },
    headers: { origin: server.url },
  })
  const [handout] = (await answer.json()).handouts
  const whole = await (await teacher.request.get(`${server.url}/api/handouts/${handout}`)).json()
  const copy: string = whole.copies[0].id
  const shared = { ...lesson, students: lesson.students.map((student) => ({ ...student, copy })) }
  const [noor, emre] = [await somebody(), await somebody()]
  await openCopy(server, noor, shared, 0)
  await openCopy(server, emre, shared, 1)

  // The teacher gives Emre a part of page 2.
  await teacher.goto(`${server.url}/handout/${handout}/room/${copy}`)
  await teacher.locator('main[aria-busy=false]').waitFor()
  await teacher.keyboard.press('PageDown')
  await expect(teacher.getByText('page 2 of 2')).toBeVisible()
  await button(teacher, 'Parts').click()
  const [from, to] = await Promise.all([
    onScreen(teacher, { x: 100, y: 150 }),
    onScreen(teacher, { x: 400, y: 300 }),
  ])
  await teacher.mouse.move(from.x, from.y)
  await teacher.mouse.down()
  await teacher.mouse.move(to.x, to.y, { steps: 4 })
  await teacher.mouse.up()
  await teacher.getByLabel('Emre Farrant').check()
  await button(teacher, 'Give it').click()
  // Drawing round a part writes nothing.
  await expect(button(teacher, 'Undo')).toBeDisabled()
  await expect(emre.getByText('Your part is on')).toBeVisible()
  await expect(noor.getByText('Your part is on')).toHaveCount(0)
  await emre.getByRole('status').getByRole('button', { name: 'page 2' }).click()
  await expect(emre.getByText('Yours', { exact: true })).toBeVisible()
  await noor.keyboard.press('PageDown')
  await expect(noor.getByText('Emre Farrant', { exact: true })).toBeVisible()

  // A name at the pen that writes now, and no name at one's own.
  await drawAt(emre, 200)
  await expect(noor.getByTestId('pen-name')).toHaveText('Emre')
  await expect(emre.getByTestId('pen-name')).toHaveCount(0)
  await expect(noor.getByTestId('pen-name')).toHaveCount(0)

  // Away, and back.
  await noor.getByRole('link', { name: 'My tray' }).click()
  const closed = () =>
    server.rows('SELECT 1 FROM copy_member WHERE copy_id = $1 AND read_seq IS NOT NULL', [copy])
  await expect.poll(closed).toHaveLength(1)
  await drawAt(emre, 250)
  await expectKept(emre)
  await noor.goto(`${server.url}/copy/${copy}`)
  await expect(noor.getByText('While you were away:')).toContainText('Emre Farrant on page 2')
  await button(noor, 'Got it').click()
  await expect(noor.getByText('While you were away:')).toHaveCount(0)
})
