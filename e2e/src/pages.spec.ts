import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { atWork, seeAsTeacher, TABLET } from './fixtures/atWork.ts'
import { openCopy } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import {
  along,
  button,
  drawWithFinger,
  drawWithMouse,
  drawWithPen,
  expectInk,
  expectKept,
} from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])

const across = (y: number, from = 80, to = 300) => along({ x: from, y }, { x: to, y })
test('more room, a page laid in and moved: the teacher and the PDF have it too; undo takes it back', async ({
  somebody,
}) => {
  const { student, teacher, lesson } = await atWork(server, somebody, pdf)
  const pages = () => student.getByRole('button', { name: /^Page \d/ })
  await expect(pages()).toHaveCount(2)
  await button(student, 'All pages, new pages, more room').click()
  await button(student, 'Longer').click()
  for (let press = 0; press < 4; press++) await student.keyboard.press('-')
  await drawWithMouse(student, across(950))
  await expectInk(student, { x: 200, y: 950 })
  await button(student, 'All pages, new pages, more room').click()
  await button(student, 'Squared 5 mm').click()
  await expect(pages()).toHaveCount(3)
  await expect(student.getByText('page 2 of 3')).toBeVisible()
  await drawWithMouse(student, across(120))
  await expectKept(student)
  await button(student, 'All pages, new pages, more room').click()
  await button(student, 'Page 2 later').click()
  await expect(student.getByRole('dialog').getByRole('button', { name: 'Remove page 3' })).toBeVisible()
  await student.keyboard.press('Escape')
  await expect(student.getByText('page 3 of 3')).toBeVisible()
  await expectKept(student)

  await seeAsTeacher(server, teacher, lesson)
  await teacher.getByRole('button', { name: 'Page 3, written on' }).click()
  await expectInk(teacher, { x: 200, y: 120 })
  const answer = await teacher.request.get(`${server.url}/api/copies/${lesson.students[0]!.copy}/pdf`)
  const { PDFDocument } = await import('@cantoo/pdf-lib')
  const flat = await PDFDocument.load(await answer.body())
  expect(flat.getPages().map((page) => Math.round(page.getHeight()))).toEqual([1134, 842, 842])

  await button(student, 'All pages, new pages, more room').click()
  await button(student, 'Remove page 3').click()
  await student.keyboard.press('Escape')
  await expect(pages()).toHaveCount(2)
  await button(student, 'Undo').click()
  await expect(pages()).toHaveCount(3)

  // Long after, a page that was taken out is found by looking back.
  await button(student, 'All pages, new pages, more room').click()
  await button(student, 'Remove page 3').click()
  await student.keyboard.press('Escape')
  await expectKept(student)
  await button(student, 'View').click()
  await button(student, 'Look back').click()
  await student.getByLabel('How far back').press('ArrowLeft')
  const past = student.getByRole('dialog', { name: 'Look back' })
  await past.getByRole('button', { name: 'Page 3' }).click()
  await expect(past.getByRole('img', { name: 'The page as it was then' })).toBeVisible()
  await button(student, 'Bring this page back').click()
  await expect(pages()).toHaveCount(3)
  await student.getByRole('button', { name: 'Page 3' }).click()
  await expectInk(student, { x: 200, y: 120 })
})

test('opened again it is at the same page, place and size; looked back at, it is made like it was', async ({
  somebody,
}) => {
  const { student, lesson } = await atWork(server, somebody, pdf)
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
  await button(student, 'Bring this page back').click()
  await expectInk(student, { x: 200, y: 200 })

  // What was moved since goes back too, and the notice takes all of it back again.
  await student.keyboard.press('Control+a')
  for (let step = 0; step < 4; step++) await student.keyboard.press('Shift+ArrowDown')
  await expectInk(student, { x: 200, y: 200 }, false)
  await button(student, 'Done').click()
  await expectKept(student)
  await button(student, 'View').click()
  await button(student, 'Look back').click()
  for (let step = 0; step < 4; step++) await slider.press('ArrowLeft')
  await button(student, 'Bring this page back').click()
  await expectInk(student, { x: 200, y: 200 })
  await student.locator('[data-sonner-toast]').getByRole('button', { name: 'Undo' }).first().click()
  await expectInk(student, { x: 200, y: 200 }, false)
})

test('a day without a network on one of two devices: everything arrives, in both', async ({ somebody }) => {
  const { student, lesson } = await atWork(server, somebody, pdf)
  const other = await somebody(TABLET)
  await openCopy(server, other, lesson, 0)
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
