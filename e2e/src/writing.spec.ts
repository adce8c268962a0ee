import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { atWork, seeAsTeacher, TABLET } from './fixtures/atWork.ts'
import { openCopy } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import {
  along,
  button,
  drawWithMouse,
  drawWithPen,
  expectInk,
  expectKept,
  onScreen,
  touch,
} from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])

const across = (y: number, from = 80, to = 300) => along({ x: from, y }, { x: to, y })
const boxOf = async (page: Page) => (await page.getByTestId('picked').boundingBox())!
test('rubbing out exactly where it passes leaves the rest; clearing a page is undone', async ({
  somebody,
}) => {
  const { student, teacher, lesson } = await atWork(server, somebody, pdf)
  await drawWithMouse(student, across(150))
  await drawWithMouse(student, across(170))
  await button(student, 'Rub out').click()
  await button(student, 'Rub out: just here').click()
  await drawWithMouse(student, along({ x: 190, y: 130 }, { x: 190, y: 190 }))
  for (const y of [150, 170]) {
    await expectInk(student, { x: 190, y }, false)
    await expectInk(student, { x: 110, y })
    await expectInk(student, { x: 280, y })
  }
  await seeAsTeacher(server, teacher, lesson)
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

test('written large it lands small on the line above its edge, and it goes along', async ({ somebody }) => {
  const { student } = await atWork(server, somebody, pdf, TABLET)
  await button(student, 'Write large').click()
  const edge = student.getByTestId('close-up-edge')
  const strip = student.getByTestId('close-up')
  const before = (await edge.boundingBox())!
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
      async () => (await edge.boundingBox())!.x !== before.x || (await edge.boundingBox())!.y !== before.y,
    )
    .toBe(true)
  await button(student, 'Close').click()
  await expect(edge).toHaveCount(0)
  await button(student, 'Write large').click()
  await expect(edge).toBeVisible()
  await student.keyboard.press('Escape')
  await expect(edge).toHaveCount(0)
  await button(student, 'Pick up').click()
  await student.keyboard.press('Control+a')
  const ink = await boxOf(student)
  expect(ink.width).toBeGreaterThan(before.width * 0.6)
  expect(ink.width).toBeLessThan(before.width)
})

test('the edge of what is seen large is dragged by a finger or moved by keys, down to the foot of the page', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, pdf, TABLET)
  await button(student, 'Write large').tap()
  const edge = student.getByTestId('close-up-edge')
  const strip = student.getByRole('region', { name: 'Write large' })
  /** Where the edge lies on the page, in points. */
  const under = async () => {
    const [box, origin, next] = await Promise.all([
      edge.boundingBox(),
      onScreen(student, { x: 0, y: 0 }),
      onScreen(student, { x: 100, y: 0 }),
    ])
    const scale = (next.x - origin.x) / 100
    return { x: (box!.x - origin.x) / scale, y: (box!.y - origin.y) / scale, scale }
  }
  await expect(edge).toBeVisible()
  const before = await under()
  const { x, y } = (await edge.boundingBox())!
  const from = { x: x + 30, y: y + 14 }
  await touch(student, 'touchStart', [from])
  for (const part of [0.25, 0.5, 0.75, 1])
    await touch(student, 'touchMove', [{ x: from.x + 90 * part, y: from.y - 60 * part }])
  await touch(student, 'touchEnd', [])
  const dragged = await under()
  expect(dragged.x - before.x).toBeCloseTo(90 / before.scale, 0)
  expect(dragged.y - before.y).toBeCloseTo(-60 / before.scale, 0)

  await edge.press('ArrowLeft')
  await expect.poll(async () => (await under()).x).toBeLessThan(dragged.x - 5)
  await edge.press('ArrowDown')
  await expect.poll(async () => (await under()).y).toBeGreaterThan(dragged.y + 5)
  // At the foot of the page, too, the line is seen over the edge and all of the strip under it.
  for (let line = 0; line < 40; line++) await edge.press('ArrowDown')
  await expect.poll(async () => (await under()).y).toBeGreaterThan(842 - 12)
  const foot = await onScreen(student, { x: 100, y: 842 - 10 })
  const box = (await strip.boundingBox())!
  expect(foot.y).toBeLessThan(box.y + 2)
  expect(box.y + box.height).toBeLessThanOrEqual((await button(student, 'Write large').boundingBox())!.y)
})

test('pens, paper and the side of the strip come along to another device; nobody else sees them', async ({
  somebody,
}) => {
  const { student, teacher, lesson } = await atWork(server, somebody, pdf)
  const pens = (page: Page) => page.getByRole('group', { name: 'Pens' }).getByRole('button')
  await pens(student).nth(1).click()
  await pens(student).nth(1).click()
  await button(student, 'blue paintbrush').click()
  await student.getByRole('dialog').getByRole('radio', { name: 'pink' }).click()
  await button(student, 'Move →').click()
  await student.keyboard.press('Escape')
  await expect(pens(student).nth(2)).toHaveAccessibleName(/pink paintbrush/)
  await expect(pens(student).nth(2)).toBeFocused()
  await button(student, 'View').click()
  await button(student, 'Paper: sky').click()
  await button(student, 'at the left').click()
  await button(student, 'largest').click()
  await student.keyboard.press('Escape')
  await expect(student.getByTestId('tint')).toBeVisible()

  const other = await somebody(TABLET)
  await expect
    .poll(
      async () =>
        (await server.rows("SELECT 1 FROM person_habits WHERE habits->>'letters' = 'largest'")).length,
    )
    .toBe(1)
  await openCopy(server, other, lesson, 0)
  await expect(pens(other).nth(2)).toHaveAccessibleName(/pink paintbrush/)
  await expect(pens(other).nth(2)).toHaveAttribute('aria-pressed', 'true')
  await expect(other.getByTestId('tint')).toBeVisible()
  await expect(other.getByRole('toolbar', { name: 'Writing' })).toHaveAttribute(
    'aria-orientation',
    'vertical',
  )
  expect(await other.evaluate(() => document.documentElement.style.fontSize)).toBe('136%')
  await seeAsTeacher(server, teacher, lesson)
  await expect(teacher.getByTestId('tint')).toHaveCount(0)
})

test('handing in shows what nobody touched; taken back until marking begins, then a sentence says why not', async ({
  somebody,
}) => {
  const { student, teacher, lesson } = await atWork(server, somebody, pdf)
  await drawWithMouse(student, across(150))
  // A hand that slips across the row of tools selects nothing of its words.
  const row = (await student.getByRole('toolbar', { name: 'Writing' }).boundingBox())!
  await student.mouse.move(row.x + 3, row.y + 5)
  await student.mouse.down()
  await student.mouse.move(row.x + row.width - 3, row.y + row.height - 5, { steps: 5 })
  await student.mouse.up()
  expect(await student.evaluate(() => String(getSelection()))).toBe('')
  await button(student, 'Hand in').click()
  const dialog = student.getByRole('dialog', { name: 'Still empty' })
  await expect(dialog.getByRole('button', { name: 'Page 2 nothing on it yet' })).toBeVisible()
  await dialog.getByRole('button', { name: 'Page 2 nothing on it yet' }).click()
  await expect(student.getByText('page 2 of 2')).toBeVisible()
  await button(student, 'Hand in').click()
  await button(student, 'Hand in anyway').click()
  await button(student, 'Take back').click()
  await expect(student.getByRole('toolbar', { name: 'Writing' })).toBeVisible()
  await drawWithMouse(student, across(150))
  await expectInk(student, { x: 200, y: 150 })
  await button(student, 'Hand in').click()
  await expect(button(student, 'Take back')).toBeVisible()
  await seeAsTeacher(server, teacher, lesson)
  await drawWithMouse(teacher, across(250))
  await expectKept(teacher)
  await button(student, 'Take back').click()
  await expect(student.getByText('begun to write')).toBeVisible()
})

/** How many pixels of the page have ink of any strength. */
const inkedPixels = (page: Page) =>
  page.getByTestId('page').evaluate((element) => {
    let count = 0
    for (const canvas of element.querySelectorAll('canvas')) {
      if (canvas.dataset.layer === 'paper') continue
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width || 1, canvas.height || 1)
      for (let index = 3; index < data.length; index += 4) if (data[index]! > 0) count++
    }
    return count
  })

test('dots with every pen are there, and nothing of them remains when they are undone or rubbed out', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, pdf)
  for (let press = 0; press < 2; press++) await student.keyboard.press('+')
  const pens = student.getByRole('group', { name: 'Pens' }).getByRole('button')
  const count = await pens.count()
  const dots = async () => {
    for (let index = 0; index < count; index++) {
      await pens.nth(index).click()
      const at = { x: 200.3 + index * 23.7, y: 300.6 }
      await drawWithPen(student, [at])
      await drawWithPen(student, [
        { x: at.x, y: at.y + 30 },
        { x: at.x + 0.4, y: at.y + 30.3 },
      ])
    }
  }
  await dots()
  await expect.poll(() => inkedPixels(student)).toBeGreaterThan(count * 2 * 4)
  for (let step = 0; step < count * 2; step++) await button(student, 'Undo').click()
  await expect.poll(() => inkedPixels(student)).toBe(0)

  await dots()
  await button(student, 'Rub out').click()
  for (const y of [300.6, 330.6])
    await drawWithMouse(student, along({ x: 190, y }, { x: 200 + count * 24, y }, 30))
  await expect.poll(() => inkedPixels(student)).toBe(0)
})

const FULL = 450
const placeOf = (index: number) => ({ x: 60 + (index % 30) * 15, y: 100 + Math.floor(index / 30) * 30 })

/** Fills the page with short lines, faster than a hand. */
async function fillPage(page: Page): Promise<void> {
  await page.getByTestId('page').evaluate(
    (element, places) => {
      const { scale, x: left, y: top } = (element as HTMLElement).dataset
      const box = element.getBoundingClientRect()
      const send = (type: string, x: number, y: number) =>
        element.dispatchEvent(
          new PointerEvent(type, {
            pointerId: 1,
            pointerType: 'mouse',
            clientX: box.left + Number(left) + x * Number(scale),
            clientY: box.top + Number(top) + y * Number(scale),
            buttons: type === 'pointerup' ? 0 : 1,
            bubbles: true,
            cancelable: true,
          }),
        )
      for (const { x, y } of places) {
        send('pointerdown', x, y)
        for (const way of [3, 6, 9]) send('pointermove', x + way, y)
        send('pointerup', x + 9, y)
      }
    },
    Array.from({ length: FULL }, (_, index) => placeOf(index)),
  )
}

test('a very full page: turned, moved and zoomed while its ink is being drawn, all of it is there, and what is written meanwhile', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, pdf)
  await fillPage(student)
  const somewhere = [120, 149, 210, 299].map((index) => {
    const { x, y } = placeOf(index)
    return { x: x + 4, y }
  })
  const expectAll = async () => {
    for (const at of somewhere) await expectInk(student, at)
  }
  await expectAll()
  await student.keyboard.press('PageDown')
  await expect(student.getByText('page 2 of 2')).toBeVisible()
  await expectInk(student, somewhere[2]!, false)
  await student.keyboard.press('PageUp')
  await drawWithPen(student, along({ x: 60, y: 235 }, { x: 300, y: 235 }))
  await expectAll()
  await expectInk(student, { x: 180, y: 235 })

  await student.keyboard.press('-')
  await student.keyboard.press('ArrowDown')
  await drawWithMouse(student, along({ x: 60, y: 265 }, { x: 300, y: 265 }))
  await expectAll()
  await expectInk(student, { x: 180, y: 265 })
  await button(student, 'Undo').click()
  await expectInk(student, { x: 180, y: 265 }, false)
  await expectAll()
  await expectKept(student)
  await student.reload()
  await student.locator('main[aria-busy=false]').waitFor()
  await expectAll()
  await expectInk(student, { x: 180, y: 235 })
})
