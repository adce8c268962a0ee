import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import sharp from 'sharp'
import {
  along,
  drawWithFinger,
  drawWithMouse,
  drawWithPen,
  expectColour,
  expectInk,
  expectKept,
  onScreen,
  type Place,
  touch,
} from './hands/hands.ts'
import { expect, type House, openHouse, test } from './house/house.ts'
import { giveOut, type Lesson, openCopy, prepareLesson } from './house/lesson.ts'

let house: House
let pdf: Uint8Array
test.beforeAll(async () => {
  house = await openHouse()
  pdf = await makePdf([{}, {}])
})
test.afterAll(() => house.stop())

const TABLET = { viewport: { width: 820, height: 1180 }, hasTouch: true }
const across = (y: number, from = 80, to = 300) => along({ x: from, y }, { x: to, y })
const button = (page: Page, name: string) => page.getByRole('button', { name, exact: true })
/** The way of a loop round a box of the page. */
const loop = (x0: number, y0: number, x1: number, y1: number): Place[] => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
  { x: x0, y: y0 + 2 },
]
/** The colour of the picture that is put on pages here. */
const CRAB = [27, 110, 104]
/** The place of the page in the middle of what is picked up. */
const middleOf = async (page: Page): Promise<Place> => {
  const { x, y, width, height } = await boxOf(page)
  const [from, to] = [await onScreen(page, { x: 0, y: 0 }), await onScreen(page, { x: 100, y: 0 })]
  const scale = (to.x - from.x) / 100
  return { x: (x + width / 2 - from.x) / scale, y: (y + height / 2 - from.y) / scale }
}
const boxOf = async (page: Page) => (await page.getByTestId('picked').boundingBox())!

/** A student at work on a copy of their own, and the lesson. */
async function atWork(
  somebody: (options?: object) => Promise<Page>,
  options = {},
): Promise<{ student: Page; teacher: Page; lesson: Lesson }> {
  const teacher = await somebody()
  const lesson = await prepareLesson(house, teacher, ['Lotte Lindqvist'], pdf)
  const student = await somebody(options)
  await openCopy(house, student, lesson, 0)
  return { student, teacher, lesson }
}

const seeAsTeacher = async (teacher: Page, lesson: Lesson) => {
  await teacher.goto(`${house.url}/handout/${lesson.handout}/pile/${lesson.students[0]!.copy}`)
  await expect(teacher.getByRole('button', { name: 'Next copy →' })).toBeVisible()
}

test('rubbing out exactly where it passes leaves the rest; clearing a page is undone', async ({
  somebody,
}) => {
  const { student, teacher, lesson } = await atWork(somebody)
  await drawWithMouse(student, across(150))
  await drawWithMouse(student, across(170))
  await button(student, 'Rub out').click()
  await button(student, 'Rub out').click()
  await button(student, 'just where I rub').click()
  await drawWithMouse(student, along({ x: 190, y: 130 }, { x: 190, y: 190 }))
  for (const y of [150, 170]) {
    await expectInk(student, { x: 190, y }, false)
    await expectInk(student, { x: 110, y })
    await expectInk(student, { x: 280, y })
  }
  await seeAsTeacher(teacher, lesson)
  await expectInk(teacher, { x: 110, y: 150 })
  await expectInk(teacher, { x: 190, y: 150 }, false)
  await button(student, 'Undo').click()
  await expectInk(student, { x: 190, y: 150 })
  await button(student, 'View').click()
  await button(student, 'Clear what is mine').click()
  await student.keyboard.press('Escape')
  await expectInk(student, { x: 110, y: 150 }, false)
  await button(student, 'Undo').click()
  await expectInk(student, { x: 110, y: 150 })
  await expectInk(teacher, { x: 190, y: 150 })
})

test('picked up with a loop: moved, turned, in another colour, twice, taken away; undo brings all of it back', async ({
  somebody,
}) => {
  const { student, teacher, lesson } = await atWork(somebody)
  await drawWithMouse(student, across(150))
  await drawWithMouse(student, across(300))
  await button(student, 'Pick up').click()
  await drawWithMouse(student, loop(60, 130, 320, 170))
  const box = await boxOf(student)
  await student.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await student.mouse.down()
  const to = await onScreen(student, { x: 190, y: 220 })
  await student.mouse.move(to.x, to.y, { steps: 4 })
  await student.mouse.up()
  await expectInk(student, { x: 190, y: 220 })
  await expectInk(student, { x: 190, y: 150 }, false)

  // A quarter by the handle: upright now.
  const handle = (await student.locator('[data-handle=turn]').boundingBox())!
  const middle = await onScreen(student, { x: 190, y: 220 })
  await student.mouse.move(handle.x + 22, handle.y + 22)
  await student.mouse.down()
  await student.mouse.move(middle.x + 40, middle.y - 30, { steps: 3 })
  await student.mouse.move(middle.x + 60, middle.y, { steps: 3 })
  await student.mouse.up()
  await expectInk(student, { x: 190, y: 290 })
  await expectInk(student, { x: 110, y: 220 }, false)

  await button(student, 'Colour').click()
  await button(student, 'madder').click()
  await student.keyboard.press('Escape')
  await button(student, 'Again').click()
  await expectInk(student, { x: 204, y: 234 })
  await student.keyboard.press('Delete')
  await expectInk(student, { x: 204, y: 234 }, false)
  await seeAsTeacher(teacher, lesson)
  await expectInk(teacher, { x: 190, y: 290 })
  const [moved] = await house.rows<{ count: number }>(
    "SELECT count(*)::int FROM event WHERE copy_id = $1 AND body->>'act' IN ('move', 'recolour')",
    [lesson.students[0]!.copy],
  )
  expect(moved!.count).toBe(3)

  // Back to how it was first drawn: the copy taken away, made, coloured, turned, moved.
  for (let press = 0; press < 5; press++) await student.keyboard.press('Control+z')
  await expectInk(student, { x: 110, y: 150 })
  await expectInk(student, { x: 190, y: 290 }, false)
  await expectInk(teacher, { x: 110, y: 150 })
})

test('by touch alone: a tap adds, two fingers move, scale and turn what is picked up, and the page stays', async ({
  somebody,
}) => {
  const { student } = await atWork(somebody, TABLET)
  await drawWithFinger(student, across(150, 200, 300))
  await drawWithFinger(student, across(180, 200, 300))
  await button(student, 'Pick up').click()
  await drawWithFinger(student, [{ x: 250, y: 150 }])
  await drawWithFinger(student, [{ x: 250, y: 180 }])
  const box = await boxOf(student)
  expect(box.height).toBeGreaterThan(25)
  const scale = await student.getByTestId('page').getAttribute('data-scale')
  const [left, right] = [
    { x: box.x + 20, y: box.y + box.height / 2 },
    { x: box.x + box.width - 20, y: box.y + box.height / 2 },
  ]
  await touch(student, 'touchStart', [left])
  await touch(student, 'touchStart', [left, right])
  for (let step = 1; step <= 5; step++)
    await touch(student, 'touchMove', [
      { x: left.x - step * 12, y: left.y + step * 20 },
      { x: right.x + step * 12, y: right.y + step * 20 },
    ])
  await touch(student, 'touchEnd', [])
  await expect.poll(async () => (await boxOf(student)).width).toBeGreaterThan(box.width + 80)
  expect(await student.getByTestId('page').getAttribute('data-scale')).toBe(scale)
  await expectInk(student, { x: 250, y: 150 }, false)
  await button(student, 'Let go').click()
  await button(student, 'Undo').click()
  await expectInk(student, { x: 250, y: 150 })
})

test('a long text beside a picture: typed with the tab killed in between, changed later, pasted and cut to size', async ({
  somebody,
}) => {
  const { student, teacher, lesson } = await atWork(somebody)
  const words = async (page: Page) => {
    const { copy } = lesson.students[0]!
    const answer = await teacher.request.get(`${house.url}/api/copies/${copy}/log`)
    const log = (await answer.json()) as {
      act: string
      items?: { text?: string }[]
      set?: { thing?: { text?: string } }
    }[]
    await expect(page.getByTestId('page')).toBeVisible()
    return log
      .flatMap(({ items, set }) => items?.map((item) => item.text) ?? [set?.thing?.text])
      .filter(Boolean)
  }
  await button(student, 'Put on').click()
  await button(student, 'Words').click()
  const at = await onScreen(student, { x: 80, y: 200 })
  await student.mouse.click(at.x, at.y)
  await student.keyboard.type('The ebb runs out under the quay.')
  await expect.poll(() => words(student)).toContain('The ebb runs out under the quay.')
  // Nobody pressed anything: the tab is killed in the middle of typing.
  const context = student.context()
  await student.close()
  const again = await context.newPage()
  await openCopy(house, again, lesson, 0)
  await button(again, 'Pick up').click()
  const there = await onScreen(again, { x: 120, y: 207 })
  await again.mouse.click(there.x, there.y)
  await again.getByTestId('picked').click()
  await expect(again.getByTestId('words')).toHaveValue('The ebb runs out under the quay.')
  await again.keyboard.type(' The boats lean over.')
  await again.keyboard.press('Escape')
  await expect.poll(() => words(again)).toContain('The ebb runs out under the quay. The boats lean over.')

  await button(again, 'Letters').click()
  await button(again, 'as in books').click()
  await again.keyboard.press('Escape')
  await expect
    .poll(() => house.rows("SELECT 1 FROM event WHERE body->'set'->'thing'->>'face' = 'book'"))
    .toHaveLength(1)

  // The side rewraps, the corner takes the letters along.
  const before = await boxOf(again)
  const drag = async (handle: 'side' | 'corner', index: number, dx: number, dy: number) => {
    const box = (await again.locator(`[data-handle=${handle}]`).nth(index).boundingBox())!
    await again.mouse.move(box.x + 22, box.y + 22)
    await again.mouse.down()
    await again.mouse.move(box.x + 22 + dx, box.y + 22 + dy, { steps: 3 })
    await again.mouse.up()
  }
  await drag('side', 0, -90, 0)
  await expect.poll(async () => (await boxOf(again)).height).toBeGreaterThan(before.height + 10)
  const narrow = await boxOf(again)
  await drag('corner', 2, narrow.width / 2, narrow.height / 2)
  await expect.poll(async () => (await boxOf(again)).height).toBeGreaterThan(narrow.height * 1.3)
  await button(again, 'Let go').click()

  await again.getByLabel('A picture for the page').setInputFiles({
    name: 'crab.png',
    mimeType: 'image/png',
    buffer: await sharp({ create: { width: 300, height: 200, channels: 3, background: '#1b6e68' } })
      .png()
      .toBuffer(),
  })
  const picture = await boxOf(again)
  await expectColour(again, await middleOf(again), CRAB)
  await button(again, 'Cut off').click()
  await again.getByLabel('left', { exact: true }).fill('50')
  await again.keyboard.press('Escape')
  await expect.poll(async () => (await boxOf(again)).width).toBeLessThan(picture.width * 0.6)
  await expectKept(again)
  const answer = await teacher.request.get(`${house.url}/api/copies/${lesson.students[0]!.copy}/pdf`)
  expect((await answer.body()).includes('/Subtype /Image') || (await answer.body()).length > 5000).toBe(true)
})

test('more room, a page laid in and moved: the teacher and the PDF have it too; undo takes it back', async ({
  somebody,
}) => {
  const { student, teacher, lesson } = await atWork(somebody)
  const pages = () => student.getByRole('button', { name: /^Page \d/ })
  await expect(pages()).toHaveCount(2)
  await button(student, 'All pages, new pages, more room').click()
  await button(student, 'Longer').click()
  for (let press = 0; press < 4; press++) await student.keyboard.press('-')
  await drawWithMouse(student, across(950))
  await expectInk(student, { x: 200, y: 950 })
  await button(student, 'All pages, new pages, more room').click()
  await button(student, 'Squared').click()
  await expect(pages()).toHaveCount(3)
  await expect(student.getByText('page 2 of 3')).toBeVisible()
  await drawWithMouse(student, across(120))
  await expectKept(student)
  await button(student, 'All pages, new pages, more room').click()
  await button(student, 'Page 2 later').click()
  await expect(student.getByRole('dialog').getByRole('button', { name: 'Take page 3 out' })).toBeVisible()
  await student.keyboard.press('Escape')
  await expect(student.getByText('page 3 of 3')).toBeVisible()
  await expectKept(student)

  await seeAsTeacher(teacher, lesson)
  await teacher.getByRole('button', { name: 'Page 3, written on' }).click()
  await expectInk(teacher, { x: 200, y: 120 })
  const answer = await teacher.request.get(`${house.url}/api/copies/${lesson.students[0]!.copy}/pdf`)
  const { PDFDocument } = await import('@cantoo/pdf-lib')
  const flat = await PDFDocument.load(await answer.body())
  expect(flat.getPages().map((page) => Math.round(page.getHeight()))).toEqual([1134, 842, 842])

  await button(student, 'All pages, new pages, more room').click()
  await button(student, 'Take page 3 out').click()
  await student.keyboard.press('Escape')
  await expect(pages()).toHaveCount(2)
  await button(student, 'Undo').click()
  await expect(pages()).toHaveCount(3)

  // Long after, a page that was taken out is found by looking back.
  await button(student, 'All pages, new pages, more room').click()
  await button(student, 'Take page 3 out').click()
  await student.keyboard.press('Escape')
  await expectKept(student)
  await button(student, 'View').click()
  await button(student, 'Look back').click()
  await student.getByLabel('How far back').press('ArrowLeft')
  const past = student.getByRole('dialog', { name: 'Look back' })
  await past.getByRole('button', { name: 'Page 3' }).click()
  await expect(past.getByRole('img', { name: 'The page as it was then' })).toBeVisible()
  await button(student, 'Make it like this again').click()
  await expect(pages()).toHaveCount(3)
  await student.getByRole('button', { name: 'Page 3' }).click()
  await expectInk(student, { x: 200, y: 120 })
})

test('written large it lands small where the frame is, and the frame moves along', async ({ somebody }) => {
  const { student } = await atWork(somebody, TABLET)
  await button(student, 'Write large').click()
  const frame = student.getByTestId('close-up-frame')
  const strip = student.getByTestId('close-up')
  const before = (await frame.boundingBox())!
  const large = (await strip.boundingBox())!
  const times = large.width / before.width
  expect(times).toBeGreaterThan(1.5)
  // A stroke across most of the strip, low down, as a finger makes it.
  const y = large.y + large.height * 0.6
  await touch(student, 'touchStart', [{ x: large.x + 30, y }])
  for (let step = 1; step <= 10; step++)
    await touch(student, 'touchMove', [{ x: large.x + 30 + (large.width * 0.75 * step) / 10, y }])
  await touch(student, 'touchEnd', [])
  await expect
    .poll(
      async () => (await frame.boundingBox())!.x !== before.x || (await frame.boundingBox())!.y !== before.y,
    )
    .toBe(true)
  await button(student, 'Close').click()
  await expect(frame).toHaveCount(0)
  await button(student, 'Pick up').click()
  await student.keyboard.press('Control+a')
  const ink = await boxOf(student)
  expect(ink.width).toBeGreaterThan(before.width * 0.6)
  expect(ink.width).toBeLessThan(before.width)
})

test('pens, paper and the side of the strip come along to another device; nobody else sees them', async ({
  somebody,
}) => {
  const { student, teacher, lesson } = await atWork(somebody)
  const pens = (page: Page) => page.getByRole('group', { name: 'Pens' }).getByRole('button')
  await pens(student).nth(1).click()
  await pens(student).nth(1).click()
  await student.getByRole('button', { name: 'brush', exact: false }).last().click()
  await student.getByRole('dialog').getByRole('button', { name: 'pink' }).click()
  await button(student, 'Move →').click()
  await student.keyboard.press('Escape')
  await expect(pens(student).nth(2)).toHaveAccessibleName(/pink brush/)
  await button(student, 'View').click()
  await button(student, 'Paper: sky').click()
  await button(student, 'left').click()
  await button(student, 'largest').click()
  await student.keyboard.press('Escape')
  await expect(student.getByTestId('tint')).toBeVisible()

  const other = await somebody(TABLET)
  await expect
    .poll(
      async () =>
        (await house.rows("SELECT 1 FROM person_habits WHERE habits->>'letters' = 'largest'")).length,
    )
    .toBe(1)
  await openCopy(house, other, lesson, 0)
  await expect(pens(other).nth(2)).toHaveAccessibleName(/pink brush/)
  await expect(pens(other).nth(2)).toHaveAttribute('aria-pressed', 'true')
  await expect(other.getByTestId('tint')).toBeVisible()
  await expect(other.getByRole('toolbar', { name: 'Writing' })).toHaveAttribute(
    'aria-orientation',
    'vertical',
  )
  expect(await other.evaluate(() => document.documentElement.style.fontSize)).toBe('136%')
  await seeAsTeacher(teacher, lesson)
  await expect(teacher.getByTestId('tint')).toHaveCount(0)
})

test('opened again it is at the same page, place and size; looked back at, it is made like it was', async ({
  somebody,
}) => {
  const { student, lesson } = await atWork(somebody)
  await drawWithMouse(student, across(150))
  await expectKept(student)
  await student.getByRole('button', { name: 'Page 2' }).click()
  await drawWithPen(student, across(200))
  await student.keyboard.press('+')
  await student.keyboard.press('+')
  const scale = () => student.getByTestId('page').getAttribute('data-scale')
  const zoomed = await scale()
  await expect
    .poll(() => student.evaluate((key) => localStorage.getItem(key), `place ${lesson.students[0]!.copy}`))
    .toContain(`"scale":${Number(zoomed).toFixed(3)}`)
  await expectKept(student)
  await student.reload()
  await student.locator('main[aria-busy=false]').waitFor()
  await expect(student.getByText('page 2 of 2')).toBeVisible()
  await expect.poll(async () => Number(await scale()).toFixed(2)).toBe(Number(zoomed).toFixed(2))
  await student.keyboard.press('0')
  await expectInk(student, { x: 200, y: 200 })

  await button(student, 'Rub out').click()
  await drawWithMouse(student, along({ x: 200, y: 180 }, { x: 200, y: 220 }))
  await expectInk(student, { x: 200, y: 200 }, false)
  await expectKept(student)
  await button(student, 'View').click()
  await button(student, 'Look back').click()
  const slider = student.getByLabel('How far back')
  await slider.press('ArrowLeft')
  await button(student, 'Make it like this again').click()
  await expectInk(student, { x: 200, y: 200 })

  // What was moved since goes back too, and the notice takes all of it back again.
  await student.keyboard.press('Control+a')
  for (let step = 0; step < 4; step++) await student.keyboard.press('Shift+ArrowDown')
  await expectInk(student, { x: 200, y: 200 }, false)
  await button(student, 'Let go').click()
  await expectKept(student)
  await button(student, 'View').click()
  await button(student, 'Look back').click()
  for (let step = 0; step < 4; step++) await slider.press('ArrowLeft')
  await button(student, 'Make it like this again').click()
  await expectInk(student, { x: 200, y: 200 })
  await student.locator('[data-sonner-toast]').getByRole('button', { name: 'Undo' }).first().click()
  await expectInk(student, { x: 200, y: 200 }, false)
})

test('handing in shows what nobody touched; taken back until marking begins, then a sentence says why not', async ({
  somebody,
}) => {
  const { student, teacher, lesson } = await atWork(somebody)
  await drawWithMouse(student, across(150))
  await button(student, 'Hand in').click()
  const dialog = student.getByRole('dialog', { name: 'Not touched yet' })
  await expect(dialog.getByRole('button', { name: 'Page 2 nothing on it yet' })).toBeVisible()
  await dialog.getByRole('button', { name: 'Page 2 nothing on it yet' }).click()
  await expect(student.getByText('page 2 of 2')).toBeVisible()
  await button(student, 'Hand in').click()
  await button(student, 'Hand in all the same').click()
  await button(student, 'Take back').click()
  await drawWithMouse(student, across(150))
  await button(student, 'Hand in').click()
  await expect(button(student, 'Take back')).toBeVisible()
  await seeAsTeacher(teacher, lesson)
  await drawWithMouse(teacher, across(250))
  await expectKept(teacher)
  await button(student, 'Take back').click()
  await expect(student.getByText('begun to write')).toBeVisible()
})

test('a day without a network on one of two devices: everything arrives, in both', async ({ somebody }) => {
  const { student, lesson } = await atWork(somebody)
  const other = await somebody(TABLET)
  await openCopy(house, other, lesson, 0)
  await student.context().setOffline(true)
  for (let line = 0; line < 8; line++) await drawWithMouse(student, across(120 + line * 20))
  await button(student, 'Pick up').click()
  await student.keyboard.press('Control+a')
  await student.keyboard.press('Shift+ArrowRight')
  await drawWithFinger(other, across(380))
  await expectKept(other)
  await student.context().setOffline(false)
  await expectKept(student)
  await expectInk(other, { x: 310, y: 260 })
  await student.keyboard.press('Escape')
  await expectInk(student, { x: 200, y: 380 })
})

test('pictures dragged in and from the camera, picked up with a box, copied into another copy', async ({
  somebody,
}) => {
  const { student, teacher, lesson } = await atWork(somebody)
  const bytes = await sharp({ create: { width: 120, height: 80, channels: 3, background: '#1b6e68' } })
    .png()
    .toBuffer()
  const dropped = await student.evaluateHandle((base64) => {
    const transfer = new DataTransfer()
    const file = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0))
    transfer.items.add(new File([file], 'knot.png', { type: 'image/png' }))
    return transfer
  }, bytes.toString('base64'))
  await student.getByRole('main').dispatchEvent('drop', { dataTransfer: dropped })
  await expect(student.getByTestId('picked')).toBeVisible()
  await button(student, 'Let go').click()
  await student.getByLabel('A picture from the camera').setInputFiles({
    name: 'photo.png',
    mimeType: 'image/png',
    buffer: bytes,
  })
  await expect(student.getByTestId('picked')).toBeVisible()
  await button(student, 'Let go').click()
  await expectKept(student)

  await button(student, 'Pick up').click()
  await button(student, 'with a box').click()
  await drawWithMouse(student, along({ x: 30, y: 40 }, { x: 560, y: 500 }))
  await expect(student.getByTestId('picked')).toBeVisible()
  await button(student, 'Copy').click()
  const pictures = (copy: string) =>
    house.rows(
      "SELECT 1 FROM event, jsonb_array_elements(body->'items') AS i WHERE copy_id = $1 AND i->>'kind' = 'picture'",
      [copy],
    )
  expect(await pictures(lesson.students[0]!.copy)).toHaveLength(2)

  // Another copy of the same student: the pictures come along with their bytes.
  const { copies } = await giveOut(house, teacher, lesson)
  const other = copies[0]!.id
  await student.goto(`${house.url}/copy/${other}`)
  await student.locator('main[aria-busy=false]').waitFor()
  await button(student, 'Put on').click()
  await button(student, 'Copied').click()
  await expect.poll(() => pictures(other)).toHaveLength(2)
  const [own] = await house.rows<{ count: number }>(
    'SELECT count(*)::int FROM recording WHERE copy_id = $1',
    [other],
  )
  expect(own!.count).toBe(2)
})

test('a formula that school cannot draw just now is drawn when it is in reach again, and lands where one looks', async ({
  somebody,
}) => {
  const { student, lesson } = await atWork(somebody)
  await button(student, 'Put on').click()
  await button(student, 'Formula').click()
  const dialog = student.getByRole('dialog', { name: 'A formula' })
  const put = dialog.getByRole('button', { name: 'Put it on the page' })
  await dialog.locator('math-field').waitFor()
  await student.context().setOffline(true)
  await dialog.getByLabel('The same in LaTeX').fill('h=\\frac{5.3}{2}')
  await expect(dialog.getByRole('alert')).toContainText('Can’t reach school')
  await expect(put).toBeDisabled()
  await student.context().setOffline(false)
  await put.click()
  await expect(student.getByTestId('picked')).toBeVisible()
  const formulas = () =>
    house.rows<{ latex: string }>(
      "SELECT i->>'latex' AS latex FROM event, jsonb_array_elements(body->'items') AS i WHERE copy_id = $1 AND i->>'kind' = 'formula'",
      [lesson.students[0]!.copy],
    )
  await expect.poll(formulas).toEqual([{ latex: 'h=\\frac{5.3}{2}' }])
  // Written anew, it is the same formula in other words.
  await student.getByTestId('picked').click()
  await dialog.getByLabel('The same in LaTeX').fill('h=2.65')
  await put.click()
  await expect
    .poll(() => house.rows("SELECT 1 FROM event WHERE body->'set'->'thing'->>'latex' = 'h=2.65'"))
    .toHaveLength(1)
})
