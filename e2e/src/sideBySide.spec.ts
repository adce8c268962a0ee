import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { handIn, openCopy, prepareLesson } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithMouse, drawWithPen, expectInk, expectKept } from './hands/hands.ts'

const server = testServer()

/** The pages on which events of a layer of a copy lie, in order. */
const pagesWrittenOn = async (copy: string, layer: string) =>
  (
    await server.rows<{ page: string }>(
      "SELECT body->>'page' AS page FROM event WHERE copy_id = $1 AND layer = $2 ORDER BY seq",
      [copy, layer],
    )
  ).map(({ page }) => page)

/** Two copies of a worksheet of two pages, handed in, and the pile open at the first. */
async function pile(somebody: () => Promise<Page>) {
  const teacher = await somebody()
  const lesson = await prepareLesson(
    server,
    teacher,
    ['Amaru Mensah', 'Iris Novotná'],
    await makePdf([{}, {}]),
  )
  const student = await somebody()
  for (const index of [1, 0]) {
    await openCopy(server, student, lesson, index)
    await drawWithPen(student, along({ x: 80, y: 300 }, { x: 250, y: 300 + index * 60 }))
    await expectKept(student)
    await handIn(student)
  }
  const { copy } = lesson.students[0]!
  await teacher.goto(`${server.url}/handout/${lesson.handout}/pile/${copy}`)
  await teacher.locator('main[aria-busy=false]').waitFor()
  return { teacher, copy, lesson }
}

test('pages lie one under another: scrolled to, the next is the one that is written on; or they are seen one by one', async ({
  somebody,
}) => {
  const { teacher, copy } = await pile(somebody)
  await expect(teacher.getByTestId('page beside')).toHaveCount(1)
  const host = teacher.getByTestId('page')
  const box = (await host.boundingBox())!
  await teacher.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  const second = teacher.getByRole('img', { name: 'Page 2 of Amaru Mensah’s copy' })
  await expect
    .poll(async () => {
      await teacher.mouse.wheel(0, 120)
      return second.isVisible()
    })
    .toBe(true)
  // It lies where it was seen: its top is not jumped to.
  const { height } = box
  await expect.poll(async () => Number(await host.getAttribute('data-y'))).toBeGreaterThan(0)
  expect(Number(await host.getAttribute('data-y'))).toBeLessThanOrEqual(height / 2)
  const half = height / Number(await host.getAttribute('data-scale')) / 2
  await drawWithMouse(teacher, along({ x: 80, y: 20 }, { x: 250, y: Math.min(60, half) }))
  await expectKept(teacher)
  const [written] = await pagesWrittenOn(copy, 'feedback')
  const [worked] = await pagesWrittenOn(copy, 'work')
  expect(written).toBeDefined()
  expect(written).not.toBe(worked)

  await button(teacher, 'View').click()
  await teacher.getByText('One by one').click()
  await teacher.keyboard.press('Escape')
  await expect(teacher.getByTestId('page beside')).toHaveCount(0)
  await teacher.mouse.wheel(0, -3000)
  await expect(second).toBeVisible()
  await teacher.keyboard.press('PageUp')
  await expect(teacher.getByRole('img', { name: 'Page 1 of Amaru Mensah’s copy' })).toBeVisible()
})

test('another copy, and the teacher’s own worked copy, stand beside the one that is marked', async ({
  somebody,
}) => {
  const { teacher, lesson } = await pile(somebody)
  const choose = async (what: string) => {
    await button(teacher, 'View').click()
    await teacher.getByRole('combobox', { name: 'Beside it' }).selectOption({ label: what })
    await teacher.keyboard.press('Escape')
  }
  await choose('Iris Novotná')
  await expectInk(teacher, { x: 165, y: 330 }, true, 'beside')
  const beside = teacher.getByRole('region', { name: 'Side by side' })
  await beside.getByRole('combobox').selectOption({ label: 'the worked copy' })
  await beside.getByRole('link', { name: 'Work it out' }).click()
  await teacher.getByText('Your worked copy. No student sees it.').waitFor()
  await drawWithPen(teacher, along({ x: 100, y: 200 }, { x: 300, y: 200 }))
  await expect(teacher.getByRole('status').filter({ hasText: /^kept$/ })).toBeVisible()
  // It is there again on another day.
  await teacher.reload()
  await expectInk(teacher, { x: 200, y: 200 })
  await drawWithPen(teacher, along({ x: 100, y: 240 }, { x: 300, y: 240 }))
  await expect(teacher.getByRole('status').filter({ hasText: /^kept$/ })).toBeVisible()
  await teacher.goto(`${server.url}/handout/${lesson.handout}/pile/${lesson.students[0]!.copy}`)
  await teacher.locator('main[aria-busy=false]').waitFor()
  await choose('the worked copy')
  await expectInk(teacher, { x: 200, y: 240 }, true, 'beside')
  await beside.getByRole('button', { name: 'Close what stands beside' }).click()
  await expect(beside).toHaveCount(0)
})

test('copies around the one that is marked are held open: without a network one still goes to another and back', async ({
  somebody,
}) => {
  const { teacher } = await pile(somebody)
  const seen = async (name: string, there: { x: number; y: number }, notThere: { x: number; y: number }) => {
    await expect(teacher.getByRole('heading', { name })).toBeVisible()
    await expectInk(teacher, there)
    await expectInk(teacher, notThere, false)
  }
  const [amaru, iris] = [
    { x: 240, y: 300 },
    { x: 240, y: 356 },
  ]
  await seen('Amaru Mensah', amaru, iris)
  await teacher.keyboard.press('b')
  await seen('Iris Novotná', iris, amaru)
  await teacher.context().setOffline(true)
  await teacher.keyboard.press('n')
  await seen('Amaru Mensah', amaru, iris)
  await teacher.keyboard.press('b')
  await seen('Iris Novotná', iris, amaru)
  await teacher.context().setOffline(false)
})
