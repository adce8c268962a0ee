import AxeBuilder from '@axe-core/playwright'
import { furnish } from '@hand-back/tools/demo/furnish.ts'
import type { Locator, Page } from '@playwright/test'
import { expect, test, testServer } from './fixtures/test.ts'
import { button } from './hands/hands.ts'

const server = testServer({ demo: true, seed: furnish })

/** What stops people from using a view, or one part of it, by the rules of WCAG 2.2 A and AA. */
async function expectAccessible(page: Page, part = 'body'): Promise<void> {
  const { violations } = await new AxeBuilder({ page })
    .include(part)
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze()
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(' | ')}`)).toEqual([])
}

/** Nothing sticks out sideways. */
async function expectFits(page: Page): Promise<void> {
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0)
}

/** Accessible, and nothing sticks out, on a tablet and on a laptop. */
async function expectLooks(teacher: Page): Promise<void> {
  for (const viewport of [
    { width: 820, height: 1180 },
    { width: 1280, height: 800 },
  ]) {
    await teacher.setViewportSize(viewport)
    await expectAccessible(teacher)
    await expectFits(teacher)
  }
}

/** Nothing of it is cut off by the window. */
async function expectInWindow(shown: Locator): Promise<void> {
  const { width, height } = shown.page().viewportSize()!
  await expect
    .poll(async () => {
      const box = (await shown.boundingBox())!
      return Math.max(-box.x, -box.y, box.x + box.width - width, box.y + box.height - height)
    })
    .toBeLessThanOrEqual(0)
}

test('one tap at the door of the demo, several people side by side in one browser', async ({ somebody }) => {
  const teacher = await somebody()
  await teacher.goto(server.url)
  await expect(teacher.getByRole('heading', { name: 'This is the demo' })).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByRole('link', { name: 'Marit Abara teacher' }).click()
  await expect(teacher.getByRole('heading', { name: 'Eleven copies wait for you' })).toBeVisible()
  const student = await teacher.context().newPage()
  await student.goto(server.url)
  await student.getByRole('link', { name: 'Amaru Mensah', exact: true }).click()
  await expect(student.getByRole('heading', { name: 'In your hands' })).toBeVisible()
  await teacher.reload()
  await expect(teacher.getByRole('heading', { name: 'Eleven copies wait for you' })).toBeVisible()
  await student.getByRole('button', { name: 'Sign out' }).click()
  await expect(student.getByRole('heading', { name: 'This is the demo' })).toBeVisible()
  await teacher.reload()
  await expect(teacher.getByText('Marit Abara')).toBeVisible()
})

test('the teacher’s views are accessible and fit their window', async ({ somebody }) => {
  const teacher = await somebody()
  await teacher.goto(`${server.url}/as/marit-abara/`)
  await expect(teacher.getByRole('heading', { name: 'Eleven copies wait for you' })).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByRole('link', { name: 'Shelf' }).click()
  await expect(teacher.getByRole('heading', { name: 'Tides and harbours' })).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByRole('link', { name: /^First page of Parts of a shore crab/ }).click()
  await expect(teacher.getByText('210 × 297 mm').first()).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'Add a page' }).click()
  await expectAccessible(teacher)
  await teacher.keyboard.press('Escape')
  await teacher.getByRole('button', { name: 'Hand out' }).click()
  await expect(teacher.getByRole('button', { name: 'Hand out 24 copies' })).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByRole('link', { name: 'Classes' }).click()
  await teacher.getByRole('link', { name: /Curlew class/ }).click()
  await expect(teacher.getByRole('row')).toHaveCount(25)
  await expectAccessible(teacher)
  await teacher.getByRole('link', { name: 'Desk', exact: true }).click()
  await teacher.getByRole('link', { name: 'Reading a tide table' }).click()
  await expect(teacher.locator('td [data-state]')).toHaveCount(24)
  await expectAccessible(teacher)
  await teacher.getByRole('link', { name: 'Mark 9' }).click()
  await expect(teacher.locator('[data-kept=kept]')).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'View', exact: true }).click()
  await teacher.getByRole('combobox', { name: 'Beside it' }).selectOption('the worked copy')
  await teacher.keyboard.press('Escape')
  await expect(teacher.getByRole('link', { name: 'Work it out' })).toBeVisible()
  // Fields of marks go with the page, and may be half out of sight at this place of it.
  await expectAccessible(teacher, '[aria-label="Side by side"]')
  for (const viewport of [
    { width: 820, height: 1180 },
    { width: 1280, height: 800 },
  ]) {
    await teacher.setViewportSize(viewport)
    await expectFits(teacher)
  }
})

test('the room, its seats and work from paper are accessible and fit their window', async ({ somebody }) => {
  const teacher = await somebody()
  await teacher.goto(`${server.url}/as/marit-abara/`)
  await teacher.getByRole('link', { name: 'Reading a tide table' }).click()
  await teacher.getByRole('button', { name: 'From paper' }).click()
  await expect(teacher.getByRole('heading', { name: 'Drop the sheets here' })).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByRole('link', { name: /^Reading a tide table/ }).click()
  await teacher.getByRole('link', { name: 'In the room' }).click()
  for (const viewport of [
    { width: 820, height: 1180 },
    { width: 1280, height: 800 },
  ]) {
    await teacher.setViewportSize(viewport)
    await expect(teacher.locator('[data-doing]')).toHaveCount(24)
    await expectAccessible(teacher)
    await expectFits(teacher)
    await teacher.getByRole('button', { name: 'Seats' }).click()
    await expect(teacher.getByText('Everybody sits somewhere.')).toBeVisible()
    await expectAccessible(teacher)
    await expectFits(teacher)
    await teacher.getByRole('button', { name: 'Done' }).click()
  }
})

test('what is said to a class, the front and a page to write on there are accessible and fit their window', async ({
  somebody,
}) => {
  test.setTimeout(180_000)
  const [teacher, student] = [await somebody(), await somebody()]
  await student.goto(`${server.url}/as/lotte-lindqvist/`)
  await student.getByRole('link', { name: /Reading a tide table/ }).click()
  await student.locator('main[aria-busy=false]').waitFor()
  await teacher.goto(`${server.url}/as/marit-abara/`)
  await teacher.getByRole('link', { name: 'Reading a tide table' }).click()
  await teacher.getByRole('link', { name: 'In the room' }).click()
  const press = (name: string) => teacher.getByRole('button', { name, exact: true }).click()
  await press('Start')
  await press('Say')
  await teacher.getByLabel('What you say').fill('Show your working')
  await expectAccessible(teacher)
  await press('Send')
  await press('Look at')
  await teacher.getByLabel('and stays there').check()
  await expectAccessible(teacher)
  await press('Page 2')
  await press('Pens down')
  await expect(student.getByText('Pens down.')).toBeVisible()
  await expect(student.getByText('All stay on page 2 for now.')).toBeVisible()
  const sizes = [
    { width: 820, height: 1180 },
    { width: 1280, height: 800 },
  ]
  for (const page of [teacher, student])
    for (const viewport of sizes) {
      await page.setViewportSize(viewport)
      await expectAccessible(page)
      await expectFits(page)
    }
  // Whoever comes after finds the class as it was.
  for (const take of ['Pens up', 'Take this back', 'Take this line away', 'End']) await press(take)
  await expect(student.getByRole('timer')).toHaveCount(0)
  await teacher.getByRole('link', { name: 'Front' }).click()
  await expect(teacher.getByText('Nothing is shown')).toBeVisible()
  await expectAccessible(teacher)
  for (const [name, button] of [
    ['Noor Farrant', 'Show'],
    ['Kofi Grünwald', 'Beside it'],
  ] as const) {
    await teacher.getByLabel('Whose copy').selectOption({ label: name })
    await press(button)
    await expect(teacher.getByRole('region', { name })).toBeVisible()
  }
  for (const viewport of sizes) {
    await teacher.setViewportSize(viewport)
    await expectAccessible(teacher)
    await expectFits(teacher)
  }
  await press('These pages')
  await teacher.locator('main[aria-busy=false]').waitFor()
  for (const viewport of sizes) {
    await teacher.setViewportSize(viewport)
    await expectAccessible(teacher)
    await expectFits(teacher)
  }
  await press('What becomes of it')
  await teacher.getByRole('menuitem', { name: /Keep it on the shelf/ }).click()
  await expect(teacher.getByLabel('Its name')).toBeVisible()
  await expectAccessible(teacher)
})

test('one question of all copies, in heaps and not, is accessible and fits its window', async ({
  somebody,
}) => {
  const teacher = await somebody()
  await teacher.goto(`${server.url}/as/marit-abara/`)
  // A page written at the front may be called the same: this is the one with work to mark.
  const pile = await teacher.getByRole('link', { name: 'Mark 9' }).getAttribute('href')
  await teacher.goto(server.url + pile!.replace(/pile.*/, ''))
  await teacher.getByRole('link', { name: 'By question' }).click()
  const heaps = teacher.getByRole('button', { name: 'Make a heap' })
  await expect(teacher.getByText('They look alike').first()).toBeVisible()
  const looks = () => expectLooks(teacher)
  await looks()
  await heaps.first().click()
  await expect(teacher.getByRole('region', { name: /^Heap 1/ })).toBeVisible()
  await looks()
  await teacher.getByRole('article').first().focus()
  await teacher.keyboard.press('?')
  await expect(teacher.getByRole('dialog')).toBeVisible()
  await expectAccessible(teacher)
})

test('the marks book, what the class needs next and what is taken away are accessible and fit their window', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const looks = () => expectLooks(teacher)
  const dialog = teacher.getByRole('dialog')
  const lookInto = async (name: string) => {
    await button(teacher, name).click()
    await expect(dialog).toBeVisible()
    await expectAccessible(teacher)
    await teacher.keyboard.press('Escape')
    await expect(dialog).toHaveCount(0)
  }
  await teacher.goto(`${server.url}/as/marit-abara/`)
  await teacher
    .getByRole('link', { name: /Bearings across the bay/ })
    .first()
    .click()
  await teacher.getByRole('radio', { name: 'Marks' }).click()
  await expect(teacher.getByRole('img', { name: /^All marks/ })).toBeVisible()
  await looks()
  await lookInto('Bring in')
  await teacher.getByRole('radio', { name: 'Numbers' }).first().click()
  await expectAccessible(teacher)
  await teacher.getByRole('radio', { name: 'What next?' }).click()
  await teacher.getByRole('checkbox', { name: /from north/ }).click()
  await expect(teacher.getByRole('button', { name: /^Hand out to/ })).toBeVisible()
  await looks()
  await lookInto('Take away')
  await teacher.getByRole('link', { name: 'Classes' }).click()
  await teacher.getByRole('link', { name: /Curlew class/ }).click()
  await teacher.getByRole('link', { name: 'Marks', exact: true }).click()
  await expect(teacher.getByRole('img', { name: /^Totals/ })).toBeVisible()
  await looks()
  for (const name of ['Marks from elsewhere', 'Bring in', 'Take marks away']) await lookInto(name)
  await teacher.getByRole('link', { name: 'Emre Okafor', exact: true }).click()
  await expect(teacher.getByRole('img', { name: /^Emre Okafor/ })).toBeVisible()
  await looks()
})

test('what opens over the teacher’s views is accessible too', async ({ somebody }) => {
  const teacher = await somebody()
  const dialog = teacher.getByRole('dialog')
  const lookInto = async (button: string | RegExp) => {
    await teacher.getByRole('button', { name: button }).first().click()
    await expect(dialog).toBeVisible()
    await expectAccessible(teacher)
    await teacher.keyboard.press('Escape')
    await expect(dialog).toHaveCount(0)
  }
  await teacher.goto(`${server.url}/as/marit-abara/`)
  await teacher.getByRole('link', { name: /Parts of a shore crab/ }).click()
  await expect(teacher.locator('td [data-state]').first()).toBeVisible()
  await expectAccessible(teacher)
  await lookInto('Dates and directions')
  await lookInto(/^People and pages of/)
  await teacher.getByRole('link', { name: 'Hand out again' }).click()
  await expect(teacher.getByRole('button', { name: 'Mix at random' })).toBeVisible()
  await teacher.getByRole('button', { name: 'Mix at random' }).click()
  await expect(teacher.getByRole('region', { name: 'Group 1', exact: true })).toBeVisible()
  await expectAccessible(teacher)
  await expectFits(teacher)
  await teacher.getByRole('link', { name: 'Classes' }).click()
  await teacher.getByRole('link', { name: /Curlew class/ }).click()
  await lookInto('Slips to cut')
  await lookInto('Bring in a list')
  await teacher.getByRole('link', { name: 'Mail', exact: true }).click()
  await expect(teacher.getByText('no mail server')).toBeVisible()
  await lookInto(/New in your tray|Due soon/)
  await expectFits(teacher)
  await teacher.getByRole('link', { name: 'Shelf' }).click()
  await teacher.getByRole('link', { name: /First page of Curves/ }).click()
  await lookInto('Keys')
})

test('a student’s views are accessible and fit, down to a small telephone', async ({ somebody }) => {
  const student = await somebody({ viewport: { width: 360, height: 740 }, hasTouch: true })
  await student.goto(`${server.url}/as/pia-jankauskas/`)
  await expect(student.getByRole('heading', { name: 'Came back to you' })).toBeVisible()
  await expectAccessible(student)
  await expectFits(student)
  await student.getByRole('link', { name: /Bearings across the bay/ }).click()
  await expect(student.getByText('has handed this back')).toBeVisible()
  await expectAccessible(student)
  await expectFits(student)
  await student.goto(`${server.url}/as/amaru-mensah/`)
  await student.getByRole('link', { name: /Reading a tide table/ }).click()
  await expect(student.getByRole('button', { name: 'Hand in' })).toBeVisible()
  await expectAccessible(student)
  await expectFits(student)
  // Everything a finger must hit is at least 44 points each way.
  const small = await student.locator('button, a').evaluateAll((elements) =>
    elements
      .map((element) => ({ name: element.textContent, ...element.getBoundingClientRect().toJSON() }))
      .filter(({ width, height }) => width > 0 && (width < 43.5 || height < 43.5))
      .map(({ name, width, height }) => `${name} ${width}×${height}`),
  )
  expect(small).toEqual([])
})

test('what opens over a page one works on is accessible, upright or along the bottom', async ({
  somebody,
}) => {
  const student = await somebody({ viewport: { width: 820, height: 1180 } })
  const press = (name: string) => button(student, name).click()
  await student.goto(`${server.url}/as/lotte-lindqvist/`)
  await student.getByRole('link', { name: /Reading a tide table/ }).click()
  await student.locator('main[aria-busy=false]').waitFor()
  const dialog = student.getByRole('dialog')
  const lookInto = async (open: () => Promise<void>, name: string) => {
    await open()
    await expect(dialog.getByText(name).first()).toBeVisible()
    await expectAccessible(student)
    await expectFits(student)
    await expectInWindow(dialog)
    await student.keyboard.press('Escape')
    await expect(dialog).toHaveCount(0)
  }
  const pen = student.getByRole('group', { name: 'Pens' }).getByRole('button', { pressed: true })
  for (const side of ['at the bottom', 'at the left']) {
    await press('View')
    await press(side)
    await student.keyboard.press('Escape')
    await lookInto(() => press('View'), 'Page colour, only for me')
    await lookInto(() => pen.click(), 'Any width')
    await lookInto(() => press('Add'), 'Camera')
    await lookInto(() => press('All pages, new pages, more room'), 'A new page after it')
  }
  await lookInto(async () => {
    await press('View')
    await press('Look back')
  }, 'Bring this page back')
  await lookInto(async () => {
    await press('View')
    await press('Keys')
  }, 'pick the next thing')
  await lookInto(async () => {
    await press('Add')
    await press('Formula')
  }, 'Add it to the page')
  await student.keyboard.press('Control+a')
  await expect(student.getByTestId('picked')).toBeVisible()
  await expectAccessible(student)
  await lookInto(() => press('Colour'), 'Any colour')
  await student.keyboard.press('Escape')
  await press('Write large')
  await expect(student.getByTestId('close-up')).toBeVisible()
  await expectAccessible(student)
  await press('Close')
  await lookInto(() => press('Hand in'), 'Hand in anyway')
})

test('with the largest words everything that opens is wholly in the window, on a telephone too', async ({
  somebody,
}) => {
  const student = await somebody({ viewport: { width: 360, height: 740 } })
  const press = (name: string) => button(student, name).click()
  const dialog = student.getByRole('dialog')
  await student.goto(`${server.url}/as/iris-novotna/`)
  await student.getByRole('link', { name: /Reading a tide table/ }).click()
  await student.locator('main[aria-busy=false]').waitFor()
  await press('View')
  await press('largest')
  // Its tool has slid away in this moment.
  await expectInWindow(dialog)
  await student.keyboard.press('Escape')
  const pen = student.getByRole('group', { name: 'Pens' }).getByRole('button', { pressed: true })
  for (const open of [() => press('View'), () => press('Add'), () => pen.click()]) {
    await open()
    await expectInWindow(dialog)
    await student.keyboard.press('Escape')
    await expect(dialog).toHaveCount(0)
  }
  await press('View')
  await press('usual')
})

test('the row of tools fits tablets either way up, with and without something picked up', async ({
  somebody,
}) => {
  const student = await somebody()
  await student.goto(`${server.url}/as/lotte-lindqvist/`)
  await student.getByRole('link', { name: /Reading a tide table/ }).click()
  await student.locator('main[aria-busy=false]').waitFor()
  const strip = student.getByRole('toolbar', { name: 'Writing' })
  const over = () => strip.evaluate((element) => element.scrollWidth - element.clientWidth)
  for (const [width, height] of [
    [768, 1024],
    [820, 1180],
    [1024, 768],
    [1180, 820],
    [1280, 800],
  ] as const) {
    await student.setViewportSize({ width, height })
    expect([width, await over()]).toEqual([width, 0])
    await student.keyboard.press('Control+a')
    await expect(student.getByTestId('picked')).toBeVisible()
    expect([width, await over()]).toEqual([width, 0])
    await student.keyboard.press('Escape')
    await student.keyboard.press('1')
    await expect(student.getByTestId('picked')).toHaveCount(0)
  }
})

test('a copy that is not one’s own, or not there, is said plainly', async ({ somebody }) => {
  const student = await somebody()
  await student.goto(`${server.url}/as/noor-farrant/`)
  await expect(student.getByRole('button', { name: 'Sign out' })).toBeVisible()
  const [other] = await server.rows<{ id: string }>(
    "SELECT m.copy_id AS id FROM copy_member m JOIN person p ON p.id = m.student_id WHERE p.name = 'Ilja Egorov'",
  )
  await student.goto(`${server.url}/as/noor-farrant/copy/${other!.id}`)
  await expect(student.getByRole('alert')).toContainText('nothing here for you')
  await student.getByRole('link', { name: 'Back to the start' }).click()
  await expect(student.getByRole('heading', { name: 'With your teacher' })).toBeVisible()
})
