import { randomUUID } from 'node:crypto'
import type { WorksheetWhole } from '@hand-back/core'
import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { askToGiveOut, type Lesson, prepareLesson, signInStudent } from './fixtures/lesson.ts'
import { chooseClass } from './fixtures/preparing.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithMouse, expectInk, expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}, {}])

const NAMES = ['Amaru Mensah', 'Freya Vasquez', 'Noor Farrant', 'Rafi Kowal'] as const

/** The screen on which the lesson's worksheet is handed out to the lesson's class. */
async function openHandingOut(teacher: Page, lesson: Lesson): Promise<void> {
  await teacher.goto(`${server.url}/worksheet/${lesson.worksheet}/hand-out`)
  await chooseClass(teacher, lesson)
}

const way = (teacher: Page, name: RegExp) => teacher.getByRole('radio', { name }).check({ force: true })

async function handOut(teacher: Page, count: string): Promise<void> {
  await teacher.getByRole('button', { name: `Hand out ${count}` }).click()
  await expect(teacher.locator('td [data-state]').first()).toBeVisible()
}

/** Opens the newest thing in a student's tray and waits until it is there. */
async function openNewest(student: Page): Promise<void> {
  await student.goto(server.url)
  await student
    .getByRole('link', { name: /Reading a tide table/ })
    .first()
    .click()
  await student.locator('main[aria-busy=false]').waitFor()
}

async function as(somebody: () => Promise<Page>, lesson: Lesson, index: number): Promise<Page> {
  const student = await somebody()
  await signInStudent(server, student, lesson, index)
  return student
}

test('three levels: what each student got is what was shown', async ({ somebody }) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES, pdf, false)
  const sets = ['Shore', 'Harbour', 'Open sea'].map((name) => ({ id: randomUUID(), name }))
  const path = `${server.url}/api/worksheets/${lesson.worksheet}`
  const { revision, sheet } = (await (await teacher.request.get(path)).json()) as WorksheetWhole
  const pages = sheet.pages.map((page, index) => (index === 0 ? page : { ...page, sets: [sets[index]!.id] }))
  await teacher.request.put(`${path}/sheet`, {
    data: { revision, order: pages.map(({ id }) => id), pages, sets },
    headers: { origin: server.url },
  })
  await openHandingOut(teacher, lesson)
  const choose = (student: string, set: string) =>
    teacher
      .getByRole('radiogroup', { name: `Set of ${student}` })
      .getByRole('radio', { name: set })
      .click()
  await choose('everybody', 'Harbour')
  await choose('Amaru Mensah', 'Shore')
  await choose('Freya Vasquez', 'Open sea')
  const shown = teacher.getByRole('list', { name: 'Who gets what' })
  const levels = [
    'Amaru Mensahpage 1 · Shore',
    'Freya Vasquezpages 1, 3 · Open sea',
    'Noor Farrantpages 1, 2 · Harbour',
    'Rafi Kowalpages 1, 2 · Harbour',
  ]
  await expect(shown.getByRole('listitem')).toHaveText(levels)
  // A day without a time is all of that day.
  await teacher.getByLabel('Due: day').fill('2031-12-04')
  await expect(teacher.getByText('Until the end of 4 Dec 2031.')).toBeVisible()
  await teacher.getByLabel('Directions').fill('Mind the time zone.')
  // Something comes between.
  await teacher.goto(server.url)
  await teacher.goto(`${server.url}/worksheet/${lesson.worksheet}/hand-out`)
  await expect(teacher.getByText(/You go on where you left off, today/)).toBeVisible()
  await expect(shown.getByRole('listitem')).toHaveText(levels)
  await expect(teacher.getByLabel('Directions')).toHaveValue('Mind the time zone.')
  await expect(teacher.getByText('They have it at once, due 4 Dec 2031.')).toBeVisible()
  await shown.getByRole('button', { name: /Freya/ }).click()
  await expect(teacher.getByRole('dialog').getByRole('img')).toHaveCount(2)
  await teacher.keyboard.press('Escape')
  await handOut(teacher, '4 copies')
  for (const [index, count] of [
    [0, 1],
    [1, 2],
    [2, 2],
  ] as const) {
    const student = await as(somebody, lesson, index)
    await openNewest(student)
    await expect(student.getByText(`page 1 of ${count}`)).toBeVisible()
  }

  // The next time sets of these names begin as they were; one can begin anew.
  await teacher.goto(`${server.url}/worksheet/${lesson.worksheet}/hand-out`)
  await chooseClass(teacher, lesson)
  await expect(shown.getByRole('listitem')).toHaveText(levels)
  await expect(teacher.getByLabel('Sets as in groups from before')).toContainText('Shore, Harbour, Open sea')
  await choose('Rafi Kowal', 'Shore')
  await expect(shown.getByRole('listitem').nth(3)).toHaveText('Rafi Kowalpage 1 · Shore')
  await teacher.reload()
  await expect(shown.getByRole('listitem').nth(3)).toHaveText('Rafi Kowalpage 1 · Shore')
  await teacher.getByRole('button', { name: 'Start over' }).click()
  await chooseClass(teacher, lesson)
  await expect(shown.getByRole('listitem')).toHaveText(levels)
})

test('groups: two on one copy at once, each with their own things; the teacher sees who did what and brings back', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES, pdf, false)
  await openHandingOut(teacher, lesson)
  await way(teacher, /One for each group/)
  await expect(teacher.getByText('No group has anybody in it')).toBeVisible()
  // Made by hand: one by pressing, one by dragging.
  await teacher.getByRole('button', { name: 'Another group' }).click()
  const group = teacher.getByRole('region', { name: 'Group 1', exact: true })
  await teacher.getByRole('button', { name: 'Amaru Mensah', exact: true }).click()
  await group.getByRole('button', { name: 'Put into Group 1' }).click()
  // Two more at once, and out of it again.
  for (const name of ['Noor Farrant', 'Rafi Kowal'])
    await teacher.getByRole('button', { name, exact: true }).click()
  await group.getByRole('button', { name: 'Put 2 into Group 1' }).click()
  await expect(group.getByRole('listitem')).toHaveCount(3)
  for (const name of ['Noor Farrant', 'Rafi Kowal'])
    await group.getByRole('button', { name, exact: true }).click()
  await teacher.getByLabel('Name of Group 1').press('Tab')
  // Those who are picked can begin the next group; where all of them are already, nothing is offered.
  await expect(group.getByRole('button', { name: /^Put/ })).toHaveCount(0)
  await teacher.getByRole('button', { name: 'Another group with these 2' }).click()
  const second = teacher.getByRole('region', { name: 'Group 2', exact: true })
  await expect(second.getByRole('listitem')).toHaveCount(2)
  await teacher.getByRole('button', { name: 'Remove Group 2' }).click()
  const chip = (await teacher.getByRole('button', { name: 'Freya Vasquez', exact: true }).boundingBox())!
  const into = (await group.boundingBox())!
  await teacher.mouse.move(chip.x + 20, chip.y + 12)
  await teacher.mouse.down()
  await teacher.mouse.move(chip.x + 30, chip.y, { steps: 3 })
  await teacher.mouse.move(into.x + into.width / 2, into.y + into.height / 2, { steps: 6 })
  await teacher.mouse.up()
  await expect(group.getByRole('listitem')).toHaveText(['Amaru Mensah', 'Freya Vasquez'])
  await expect(teacher.getByText('Left out: Noor Farrant, Rafi Kowal')).toBeVisible()
  const keep = teacher.getByRole('button', { name: 'Keep', exact: true })
  // Letter by letter, as people type: right after a drag a value set in one go was lost once.
  await teacher.getByLabel('Keep these groups as').click()
  await teacher.keyboard.type('Boats', { delay: 20 })
  await keep.click()
  await expect(teacher.getByLabel('Groups from before')).toContainText('Boats')
  await handOut(teacher, '1 copy')

  const amaru = await as(somebody, lesson, 0)
  const freya = await as(somebody, lesson, 1)
  for (const student of [amaru, freya]) await openNewest(student)
  await expect(amaru.getByText('Group 1: with Freya Vasquez')).toBeVisible()
  await drawWithMouse(amaru, along({ x: 100, y: 150 }, { x: 300, y: 150 }))
  await drawWithMouse(freya, along({ x: 100, y: 250 }, { x: 300, y: 250 }))
  await expectInk(freya, { x: 200, y: 150 })
  await expectInk(amaru, { x: 200, y: 250 })
  // Rubbing out over both takes one’s own only.
  await freya.getByRole('button', { name: 'Rub out' }).click()
  await drawWithMouse(freya, along({ x: 200, y: 120 }, { x: 200, y: 280 }))
  await expectInk(amaru, { x: 200, y: 250 }, false)
  await expectInk(amaru, { x: 200, y: 150 })
  await expectKept(freya)

  await teacher.getByRole('link', { name: 'Open the pile' }).click()
  await teacher.getByLabel('Who did what').check()
  await teacher.getByRole('button', { name: 'Bring back 1' }).click()
  await expectInk(amaru, { x: 200, y: 250 })
  await expectInk(freya, { x: 200, y: 250 })

  // The teacher allows more: then one rubs out what the other made.
  await teacher.getByRole('link', { name: 'Reading a tide table' }).click()
  const more = teacher.getByLabel('Everybody may rub out and move')
  await more.click()
  await expect(more).toBeChecked()
  await freya.reload()
  await freya.locator('main[aria-busy=false]').waitFor()
  await freya.getByRole('button', { name: 'Rub out' }).click()
  await drawWithMouse(freya, along({ x: 250, y: 120 }, { x: 250, y: 180 }))
  await expectInk(amaru, { x: 200, y: 150 }, false)
  await freya.keyboard.press('1')

  // A page given to one takes no ink of the other.
  await teacher.getByRole('button', { name: 'People and pages of Group 1' }).click()
  await teacher.getByLabel('Whose is page 1').selectOption('Amaru Mensah')
  await expect(freya.getByText('this is the page of Amaru Mensah')).toBeVisible()
  await expect(amaru.getByText('your page')).toBeVisible()
  await drawWithMouse(freya, along({ x: 100, y: 350 }, { x: 300, y: 350 }))
  await drawWithMouse(amaru, along({ x: 100, y: 380 }, { x: 300, y: 380 }))
  await expectInk(freya, { x: 200, y: 380 })
  await expectInk(freya, { x: 200, y: 350 }, false)
})

test('in use: dates, withdrawn and brought back, a late comer, a page sent into all copies', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES.slice(0, 2), pdf, false)
  await openHandingOut(teacher, lesson)
  await handOut(teacher, '2 copies')
  const table = teacher.url()
  const amaru = await as(somebody, lesson, 0)
  await openNewest(amaru)
  await drawWithMouse(amaru, along({ x: 100, y: 150 }, { x: 300, y: 150 }))
  await expectKept(amaru)

  await teacher.getByRole('button', { name: 'Dates and directions' }).click()
  await teacher.getByRole('textbox', { name: 'Directions' }).fill('Look at the table first.')
  await teacher.getByRole('button', { name: 'Done' }).click()
  await expect(amaru.getByText('Look at the table first.')).toBeVisible()

  // A page is put in by preparing the worksheet, then sent.
  await teacher.getByRole('link', { name: 'Change its pages' }).click()
  await teacher.getByRole('button', { name: 'Add a page' }).click()
  await teacher.getByRole('button', { name: 'Squared 5 mm' }).click()
  await teacher.getByRole('button', { name: 'Add this page' }).click()
  await expect(teacher.getByText('Not sent yet: 1 page new.')).toBeVisible()
  await teacher.getByRole('link', { name: 'Reading a tide table' }).click()
  await expect(teacher.getByText('The worksheet has changed since: 1 page new.')).toBeVisible()
  await teacher.getByRole('link', { name: 'Change its pages' }).click()
  await teacher.getByRole('button', { name: 'Send it into all 2 copies' }).click()
  await expect(teacher.getByText('They have everything that is here.')).toBeVisible()
  await teacher.goto(table)
  await expect(amaru.getByText('Page 2 is new.')).toBeVisible()
  await expect(amaru.getByText('page 1 of 4')).toBeVisible()
  await expectInk(amaru, { x: 200, y: 150 })
  await amaru.getByRole('button', { name: 'Page 2' }).click()
  await drawWithMouse(amaru, along({ x: 100, y: 200 }, { x: 300, y: 200 }))
  await expectInk(amaru, { x: 200, y: 200 })
  await expectKept(amaru)

  await teacher.getByRole('button', { name: 'Withdraw' }).click()
  await expect(
    teacher.getByText('Withdrawn: students do not see it. Everything they made is here.'),
  ).toBeVisible()
  await expect(amaru.getByText('Your teacher does not have this out just now.')).toBeVisible()
  await teacher.getByRole('button', { name: 'Bring it back' }).click()
  await expectInk(amaru, { x: 200, y: 200 })

  // One copy alone: withdrawn, looked for in vain, brought back; with a date of its own.
  const only = teacher.getByRole('button', { name: 'Only for Amaru Mensah' })
  await only.click()
  await teacher.getByRole('button', { name: 'Withdraw from Amaru' }).click()
  await expect(teacher.getByRole('row', { name: /Amaru Mensah/ })).toContainText('withdrawn')
  await amaru.reload()
  await expect(amaru.getByText('Your teacher does not have this out just now.')).toBeVisible()
  await teacher
    .locator('[data-sonner-toast]')
    .filter({ hasText: 'Withdrawn from Amaru' })
    .getByRole('button', { name: 'Undo' })
    .click()
  await expectInk(amaru, { x: 200, y: 200 })
  await only.click()
  await teacher.getByLabel('Due for this copy: day').fill('2031-12-04')
  await expect(teacher.getByText('Until the end of 4 Dec 2031.')).toBeVisible()
  await teacher.keyboard.press('Escape')
  await expect(teacher.getByRole('row', { name: /Amaru Mensah/ })).toContainText('due 4 Dec 2031')
  await expect(teacher.getByRole('row', { name: /Freya Vasquez/ })).not.toContainText('due')

  // The same class a second time: that is said.
  await teacher.goto(`${server.url}/worksheet/${lesson.worksheet}/hand-out`)
  await chooseClass(teacher, lesson)
  await expect(teacher.getByText(/already has it, handed out today/)).toBeVisible()
  await teacher.goto(table)

  const [late] = (await (
    await teacher.request.post(`${server.url}/api/classes/${lesson.classId}/students`, {
      data: { names: ['Solveig Marsh'] },
      headers: { origin: server.url },
    })
  ).json()) as { id: string; name: string; pin: string }[]
  const solveig = await as(somebody, { ...lesson, students: [{ ...late!, copy: '' }] }, 0)
  await openNewest(solveig)
  await expect(solveig.getByText('page 1 of 4')).toBeVisible()
  await expect(teacher.getByRole('row', { name: /Solveig Marsh/ })).toBeVisible()
})

test('who came late is chosen one by one', async ({ somebody }) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES, pdf, false)
  await openHandingOut(teacher, lesson)
  for (const name of NAMES.slice(1)) await teacher.getByRole('checkbox', { name }).uncheck()
  await handOut(teacher, '1 copy')
  const without = teacher.getByRole('group', { name: 'Without it' })
  await expect(without.getByRole('button', { name: 'Give it to them too' })).toBeDisabled()
  await without.getByRole('button', { name: 'Freya Vasquez' }).click()
  await without.getByRole('button', { name: 'Rafi Kowal' }).click()
  await without.getByRole('button', { name: 'Give it to these 2' }).click()
  await expect(teacher.getByRole('row', { name: /Rafi Kowal/ })).toBeVisible()
  await expect(teacher.getByRole('row', { name: /Noor Farrant/ })).toHaveCount(0)
  await without.getByRole('button', { name: 'Give it to them too' }).click()
  await expect(teacher.getByRole('row', { name: /Noor Farrant/ })).toBeVisible()
  await expect(without).toHaveCount(0)
})

test('a page dealt to each, one to read, one for all', async ({ somebody }) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES, pdf, false)
  await openHandingOut(teacher, lesson)
  await teacher.getByRole('radio', { name: /Deal/ }).check()
  await teacher.getByRole('button', { name: 'Mix again' }).click()
  const rows = teacher.getByRole('list', { name: 'Who gets what' }).getByRole('listitem')
  await expect(rows).toHaveCount(4)
  const shown = await rows.allInnerTexts()
  await handOut(teacher, '4 copies')
  for (const words of shown) {
    const [name, page] = words.split('\n') as [string, string]
    await expect(teacher.getByRole('row', { name: new RegExp(`${name} ?${page}`) })).toBeVisible()
  }
  const noor = await as(somebody, lesson, 2)
  await openNewest(noor)
  await expect(noor.getByText('page 1 of 1')).toBeVisible()

  await openHandingOut(teacher, lesson)
  await way(teacher, /To read/)
  await handOut(teacher, '1 copy')
  await noor.goto(server.url)
  await noor.getByRole('link', { name: /Read/ }).filter({ hasText: 'new' }).last().click()
  await noor.locator('main[aria-busy=false]').waitFor()
  await expect(noor.getByText('to read')).toBeVisible()
  await expect(noor.getByRole('button', { name: 'Hand in' })).toHaveCount(0)
  await expect(noor.getByRole('button', { name: 'Rub out' })).toHaveCount(0)
  await noor.getByRole('link', { name: 'My tray' }).click()
  await expect(noor.getByRole('heading', { name: 'To read' })).toBeVisible()
  await expect(noor.getByText('new', { exact: true })).toHaveCount(0)

  await openHandingOut(teacher, lesson)
  await way(teacher, /One for all/)
  await expect(teacher.getByText('One copy for 4 of')).toBeVisible()
  await handOut(teacher, '1 copy')
  const rafi = await as(somebody, lesson, 3)
  for (const student of [noor, rafi]) {
    await student.goto(server.url)
    await student.getByRole('link', { name: /together: Everybody/ }).click()
    await student.locator('main[aria-busy=false]').waitFor()
  }
  await drawWithMouse(noor, along({ x: 100, y: 150 }, { x: 300, y: 150 }))
  await expectInk(rafi, { x: 200, y: 150 })

  // The same again begins with what was chosen then.
  await teacher.getByRole('link', { name: 'Hand out again' }).click()
  await expect(teacher.getByRole('radio', { name: /One for all/ })).toBeChecked()
})

test('the server killed in a hand-out to 300: it has gone to all or to none, and asking again doubles nothing', async ({
  somebody,
}) => {
  test.setTimeout(120_000)
  const teacher = await somebody()
  const names = Array.from({ length: 300 }, (_, index) => `Student ${index + 1}`)
  const lesson = await prepareLesson(server, teacher, names, pdf, false)
  const copies = async (request: string) =>
    (
      await server.rows(
        'SELECT 1 FROM copy c JOIN handout h ON h.id = c.handout_id JOIN copy_member m ON m.copy_id = c.id WHERE h.request = $1',
        [request],
      )
    ).length
  for (const after of [4, 12, 25, 60]) {
    const request = randomUUID()
    const give = () => askToGiveOut(server, teacher, lesson, request)
    const broken = give().catch(() => undefined)
    // The moment of the cut is what varies: early, while copies are made, and after.
    await new Promise((done) => setTimeout(done, after))
    await server.kill()
    await broken
    expect([0, 300]).toContain(await copies(request))
    await server.start()
    expect((await give()).ok()).toBe(true)
    expect(await copies(request)).toBe(300)
  }
})

test('a direction spoken without a network outlives the tab, even half said, and is handed out when there is one', async ({
  somebody,
}) => {
  const teacher = await somebody({ permissions: ['microphone'] })
  const lesson = await prepareLesson(server, teacher, NAMES, pdf, false)
  await openHandingOut(teacher, lesson)
  const cut = '**/api/spoken/*'
  await teacher.route(cut, (route) => (route.request().method() === 'PUT' ? route.abort() : route.continue()))
  await teacher.getByRole('button', { name: 'Say it instead' }).click()
  await expect(teacher.getByRole('button', { name: /^Stop 0:0[2-9]/ })).toBeVisible()
  await teacher.reload()
  await expect(teacher.getByText('You said something here')).toBeVisible()
  await button(teacher, 'Use it').click()
  await expect(teacher.getByText('On this device. It is sent as soon as it can be.')).toBeVisible()
  await teacher.getByRole('button', { name: 'Hand out 4 copies' }).click()
  await expect(teacher.getByRole('alert')).toContainText('What you said has not reached school yet')

  await teacher.reload()
  await expect(teacher.getByText('On this device. It is sent as soon as it can be.')).toBeVisible()
  const here = teacher.getByLabel('Your spoken direction')
  await expect.poll(() => here.evaluate((sound: HTMLAudioElement) => sound.duration)).toBeGreaterThan(0.5)
  await teacher.unroute(cut)
  await handOut(teacher, '4 copies')
  const noor = await as(somebody, lesson, 2)
  await openNewest(noor)
  const told = noor.getByLabel('What your teacher says')
  await expect.poll(() => told.evaluate((sound: HTMLAudioElement) => sound.duration)).toBeGreaterThan(0.5)
})
