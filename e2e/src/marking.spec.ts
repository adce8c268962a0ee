import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { BrowserContextOptions, Page } from '@playwright/test'
import sharp from 'sharp'
import { atWork, seeAsTeacher } from './fixtures/atWork.ts'
import { handIn, openCopy, prepareLesson } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import {
  along,
  button,
  drawWithMouse,
  drawWithPen,
  expectColour,
  expectInk,
  expectKept,
  onScreen,
  touch,
} from './hands/hands.ts'

const server = testServer()

const SHORE = [70, 97, 140]

/** The pile with the copies of two students, one with work on it that was handed in. */
async function pile(somebody: (options?: BrowserContextOptions) => Promise<Page>, options = {}) {
  const teacher = await somebody(options)
  const pdf = await makePdf([{}])
  const lesson = await prepareLesson(server, teacher, ['Amaru Mensah', 'Iris Novotná'], pdf)
  const student = await somebody()
  for (const index of [1, 0]) {
    await openCopy(server, student, lesson, index)
    await drawWithPen(student, along({ x: 80, y: 300 }, { x: 250, y: 300 }))
    await expectKept(student)
  }
  await button(student, 'Hand in').click()
  await teacher.goto(`${server.url}/handout/${lesson.handout}/pile/${lesson.students[0]!.copy}`)
  await teacher.locator('main[aria-busy=false]').waitFor()
  return { teacher, student, copies: lesson.students.map(({ copy }) => copy) }
}

/** The kinds of what the teacher laid on a copy. */
const laidOn = async (copy: string) =>
  (
    await server.rows<{ kind: string }>(
      "SELECT i->>'kind' AS kind FROM event, jsonb_array_elements(body->'items') AS i WHERE copy_id = $1 AND layer = 'feedback' AND body->>'act' = 'add'",
      [copy],
    )
  ).map(({ kind }) => kind)

test('a teacher lays a note and a picture on a copy, moves them, and the student has them when handed back', async ({
  somebody,
}) => {
  const { teacher, student, copies } = await pile(somebody)
  await button(teacher, 'Add').click()
  await button(teacher, 'Note').click()
  const at = await onScreen(teacher, { x: 300, y: 80 })
  await teacher.mouse.click(at.x, at.y)
  await teacher.keyboard.type('Which way does the ebb run?')
  // A tap beside it ends the typing, and nothing else comes of it.
  const beside = await onScreen(teacher, { x: 100, y: 400 })
  await teacher.mouse.click(beside.x, beside.y)
  await expect(teacher.getByTestId('words')).toHaveCount(0)
  await expect.poll(() => laidOn(copies[0]!)).toEqual(['direction'])
  await button(teacher, 'Done').click()
  await teacher.getByLabel('A picture for the page').setInputFiles({
    name: 'shore.png',
    mimeType: 'image/png',
    buffer: await sharp({ create: { width: 300, height: 200, channels: 3, background: '#46618c' } })
      .png()
      .toBuffer(),
  })
  await expect.poll(() => laidOn(copies[0]!)).toEqual(['direction', 'picture'])
  const before = (await teacher.getByTestId('picked').boundingBox())!
  for (let step = 0; step < 4; step++) await teacher.keyboard.press('Shift+ArrowDown')
  const box = (await teacher.getByTestId('picked').boundingBox())!
  expect(box.y).toBeGreaterThan(before.y + 10)
  await expectKept(teacher)

  // The student’s own ink is not the teacher’s to take away.
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await teacher.keyboard.press('Escape')
  await teacher.keyboard.press('Control+a')
  await teacher.keyboard.press('Delete')
  await expect(button(teacher, 'Take away')).toHaveCount(0)
  await expectInk(teacher, { x: 120, y: 300 })
  await teacher.keyboard.press('Control+z')

  const corner = await onScreen(teacher, { x: 0, y: 0 })
  const scale = ((await onScreen(teacher, { x: 100, y: 0 })).x - corner.x) / 100
  const place = { x: (x - corner.x) / scale, y: (y - corner.y) / scale }
  await expectColour(teacher, place, SHORE)
  await student.reload()
  await expectInk(student, { x: 120, y: 300 })
  await expectColour(student, place, [255, 255, 255])
  await button(teacher, 'Hand back').click()
  await expectColour(student, place, SHORE)
})

test('words begun on one copy stay there when the teacher goes on to the next', async ({ somebody }) => {
  const { teacher, copies } = await pile(somebody)
  await button(teacher, 'Add').click()
  await button(teacher, 'Words').click()
  const at = await onScreen(teacher, { x: 120, y: 80 })
  await teacher.mouse.click(at.x, at.y)
  await teacher.keyboard.type('Read the scale again')
  await button(teacher, 'Next copy').click()
  await expect(teacher.getByRole('heading', { name: 'Iris Novotná' })).toBeVisible()
  await expect.poll(() => laidOn(copies[0]!)).toEqual(['text'])
  await expectKept(teacher)
  expect(await laidOn(copies[1]!)).toEqual([])
})

test('from copy to copy by key, by button and by a swipe, on the same page', async ({ somebody }) => {
  const { teacher } = await pile(somebody, {
    viewport: { width: 820, height: 1180 },
    hasTouch: true,
  })
  const shown = (name: string) => expect(teacher.getByRole('heading', { name })).toBeVisible()
  await shown('Amaru Mensah')
  await teacher.keyboard.press('n')
  await shown('Iris Novotná')
  await expect(button(teacher, 'Next copy')).toBeDisabled()
  await teacher.keyboard.press('b')
  await shown('Amaru Mensah')
  await expect(button(teacher, 'The copy before')).toBeDisabled()
  const swipe = async (by: number) => {
    const box = (await teacher.getByRole('heading', { level: 2 }).boundingBox())!
    const at = { x: box.x + 200, y: box.y + box.height / 2 }
    await touch(teacher, 'touchStart', [at])
    await touch(teacher, 'touchMove', [{ x: at.x + by, y: at.y + 4 }])
    await touch(teacher, 'touchEnd', [])
  }
  await swipe(-30)
  await shown('Amaru Mensah')
  await swipe(-120)
  await shown('Iris Novotná')
  await swipe(120)
  await shown('Amaru Mensah')
  await button(teacher, 'Next copy').click()
  await shown('Iris Novotná')
  await button(teacher, 'The copy before').click()
  await shown('Amaru Mensah')
})

test('a worksheet without questions: drawn while marking, they are there for all copies at once', async ({
  somebody,
}) => {
  const { teacher } = await pile(somebody)
  await expect(teacher.getByText('No questions with marks yet.')).toBeVisible()
  await button(teacher, 'Draw questions').click()
  for (const [y, worth] of [
    [100, '3'],
    [300, '2½'],
  ] as const) {
    await drawWithPen(teacher, along({ x: 70, y }, { x: 320, y: y + 90 }))
    await expect(teacher.getByLabel('Full marks')).toBeFocused()
    await teacher.keyboard.type(worth)
    await teacher.keyboard.press('Enter')
    await expect(teacher.getByLabel('Full marks')).toHaveCount(0)
    await expect(teacher.getByLabel(`Marks for question ${y === 100 ? 1 : 2}`)).toBeVisible()
  }
  await button(teacher, 'Done').click()
  await teacher.getByLabel('Marks for question 2').fill('2½')
  await teacher.getByLabel('Marks for question 2').press('Tab')
  await expect(teacher.getByTestId('sum')).toHaveText('2½ of 5½')
  await teacher.keyboard.press('Escape')
  await button(teacher, 'Next copy').click()
  await expect(teacher.getByRole('heading', { name: 'Iris Novotná' })).toBeVisible()
  await expect(teacher.getByLabel('Marks for question 1')).toHaveValue('')
})

test('the strip lies where the teacher wants it, and what is seen large is written on the copy', async ({
  somebody,
}) => {
  const { teacher, copies } = await pile(somebody)
  await button(teacher, 'View').click()
  await button(teacher, 'at the left').click()
  await teacher.keyboard.press('Escape')
  await expect(teacher.getByRole('toolbar', { name: 'Writing' })).toHaveAttribute(
    'aria-orientation',
    'vertical',
  )
  await button(teacher, 'Write large').click()
  const panel = (await teacher.getByTestId('close-up').boundingBox())!
  await teacher.mouse.move(panel.x + 40, panel.y + 60)
  await teacher.mouse.down()
  await teacher.mouse.move(panel.x + 120, panel.y + 90, { steps: 4 })
  await teacher.mouse.up()
  await expect.poll(() => laidOn(copies[0]!)).toEqual(['stroke'])
})

test('handed back under a working pen: it is asked first, undone at once, and the student writes on', async ({
  somebody,
}) => {
  const { student, teacher, lesson } = await atWork(server, somebody, await makePdf([{}]))
  await drawWithMouse(student, along({ x: 80, y: 150 }, { x: 250, y: 150 }))
  await expectKept(student)
  await seeAsTeacher(server, teacher, lesson)
  await expectInk(teacher, { x: 160, y: 150 })
  await drawWithMouse(teacher, along({ x: 80, y: 300 }, { x: 250, y: 300 }))
  await expectKept(teacher)
  await button(teacher, 'Hand back as it is …').click()
  await expect(teacher.getByText(/whatever Lotte is in the middle of stops there/)).toBeVisible()
  await button(teacher, 'Hand back now').click()
  await expectInk(student, { x: 160, y: 300 })
  await teacher.locator('[data-sonner-toast]').getByRole('button', { name: 'Undo' }).click()
  await expectInk(student, { x: 160, y: 300 }, false)
  await drawWithMouse(student, along({ x: 80, y: 200 }, { x: 250, y: 200 }))
  await expectInk(teacher, { x: 160, y: 200 })

  await button(teacher, 'Hand back as it is …').click()
  await button(teacher, 'Hand back now').click()
  await expect(button(teacher, 'Bring it back')).toBeVisible()
  await student.reload()
  await expectInk(student, { x: 160, y: 300 })
  await expect(button(teacher, 'Bring it back')).toBeHidden()
})

test('a copy that was handed back opens at its first page with feedback, once; its tab says so', async ({
  somebody,
}) => {
  const { student, teacher, lesson } = await atWork(server, somebody, await makePdf([{}, {}, {}]))
  await drawWithMouse(student, along({ x: 80, y: 150 }, { x: 250, y: 150 }))
  await expectKept(student)
  await handIn(student)
  await student.goto(server.url)
  await seeAsTeacher(server, teacher, lesson)
  await button(teacher, 'Page 3').click()
  await drawWithMouse(teacher, along({ x: 80, y: 300 }, { x: 250, y: 300 }))
  await expectKept(teacher)
  await button(teacher, 'Hand back').click()
  await expect(teacher.getByText('One copy is handed back.')).toBeVisible()

  await student.goto(`${server.url}/copy/${lesson.students[0]!.copy}`)
  await expect(student.getByText('page 3 of 3')).toBeVisible()
  await expectInk(student, { x: 160, y: 300 })
  await expect(button(student, 'Page 3, with feedback')).toBeVisible()

  // Nothing can be written on it, but it can be zoomed, printed and seen as one wants.
  const row = student.getByRole('toolbar', { name: 'Reading' })
  await expect(row.getByRole('button')).toHaveText([
    'Smaller',
    'Fit',
    'Larger',
    'Pin',
    'Look back',
    'Print',
    'View',
  ])
  const scale = async () => Number(await student.getByTestId('page').getAttribute('data-scale'))
  const fitted = await scale()
  await button(student, 'Larger').click()
  await expect.poll(scale).toBeCloseTo(fitted * 1.25, 2)
  await button(student, 'Page 2').click()
  await expect(student.getByText('page 2 of 3')).toBeVisible()
  expect(await scale()).toBeCloseTo(fitted * 1.25, 2)
  await button(student, 'Page 1').click()
  await student.reload()
  await student.locator('main[aria-busy=false]').waitFor()
  await expect(student.getByText('page 1 of 3')).toBeVisible()
})
