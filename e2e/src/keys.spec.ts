import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { openCopy, prepareLesson } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithMouse, expectInk, expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}, {}])

const across = (y: number) => along({ x: 80, y }, { x: 300, y })

test('by keyboard alone: words put down, picked, moved, made larger and turned, twice, taken away, undone', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Tomás Ferreira'], pdf)
  const tomas = await somebody()
  await openCopy(server, tomas, lesson, 0)
  const press = (key: string) => tomas.keyboard.press(key)
  const picked = tomas.getByTestId('picked')
  const box = async () => (await picked.boundingBox())!
  await button(tomas, 'Add').focus()
  await press('Enter')
  await press('Escape')
  await expect(button(tomas, 'Add')).toBeFocused()
  await press('Enter')
  await button(tomas, 'Words').focus()
  await press('Enter')
  await expect(button(tomas, 'Words')).toHaveCount(0)
  await press('Enter')
  await tomas.keyboard.type('the ebb runs out')
  await press('Escape')
  await press('Escape')
  await expect(picked).toHaveCount(0)

  await press('p')
  await press(']')
  await expect(picked).toBeVisible()
  const before = await box()
  await press('Shift+ArrowDown')
  await expect.poll(async () => (await box()).y).toBeGreaterThan(before.y + 5)
  await press('>')
  await expect.poll(async () => (await box()).width).toBeGreaterThan(before.width * 1.05)
  await press('r')
  await expect.poll(async () => (await box()).height).toBeGreaterThan(before.height * 1.2)
  await press('Control+d')
  await press('Control+a')
  await press('Delete')
  await expect(picked).toHaveCount(0)
  await expectKept(tomas)
  const seen = async () => {
    await press('Control+a')
    return picked.count()
  }
  expect(await seen()).toBe(0)
  // Taken away, the same again, turned, larger, moved; then the words, in pieces where they were typed slowly.
  for (let act = 0; act < 5; act++) await press('Control+z')
  expect(await seen()).toBe(1)
  await expect
    .poll(async () => {
      await press('Escape')
      await press('Control+z')
      return seen()
    })
    .toBe(0)
})

test('the list of keys says them all; one key alone can be made to do nothing, on every device', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Saoirse Lin'], pdf)
  const saoirse = await somebody()
  await openCopy(server, saoirse, lesson, 0)
  const keys = (page: Page) => page.getByRole('dialog', { name: 'Keys' })
  await saoirse.keyboard.press('?')
  await expect(keys(saoirse).getByText('rub out')).toBeVisible()
  await keys(saoirse).getByRole('radio', { name: 'off' }).click()
  await saoirse.keyboard.press('Escape')
  await expect(keys(saoirse)).toHaveCount(0)
  const rubs = (page: Page) => page.getByRole('button', { name: /^Rub out/ }).first()
  await saoirse.keyboard.press('e')
  await drawWithMouse(saoirse, across(150))
  await expectInk(saoirse, { x: 200, y: 150 })
  await expect(rubs(saoirse)).not.toHaveAttribute('aria-pressed', 'true')
  // What is done with Control, or with keys that nobody says, is as it was.
  await saoirse.keyboard.press('Control+z')
  await expectInk(saoirse, { x: 200, y: 150 }, false)
  await saoirse.keyboard.press('PageDown')
  await expect(saoirse.getByText('page 2 of 3')).toBeVisible()
  await expect
    .poll(
      async () =>
        (await server.rows("SELECT 1 FROM person_habits WHERE habits->>'singleKeys' = 'false'")).length,
    )
    .toBe(1)

  const other = await somebody()
  await openCopy(server, other, lesson, 0)
  await other.keyboard.press('e')
  await expect(rubs(other)).not.toHaveAttribute('aria-pressed', 'true')
  await button(other, 'View').click()
  await button(other, 'Keys').click()
  await keys(other).getByRole('radio', { name: 'on', exact: true }).click()
  await other.keyboard.press('Escape')
  await other.keyboard.press('e')
  await expect(rubs(other)).toHaveAttribute('aria-pressed', 'true')
})
