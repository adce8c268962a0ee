import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import sharp from 'sharp'
import { atWork, seeAsTeacher, TABLET } from './fixtures/atWork.ts'
import { giveOut } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import {
  along,
  button,
  drawWithFinger,
  drawWithMouse,
  expectInk,
  expectKept,
  onScreen,
  type Place,
  touch,
} from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])

const across = (y: number, from = 80, to = 300) => along({ x: from, y }, { x: to, y })
/** The way of a loop round a box of the page. */
const loop = (x0: number, y0: number, x1: number, y1: number): Place[] => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
  { x: x0, y: y0 + 2 },
]
const boxOf = async (page: Page) => (await page.getByTestId('picked').boundingBox())!
test('picked up with a loop: moved, turned, in another colour, twice, taken away; undo brings all of it back', async ({
  somebody,
}) => {
  const { student, teacher, lesson } = await atWork(server, somebody, pdf)
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
  await button(student, 'dark red').click()
  await student.keyboard.press('Escape')
  await button(student, 'Duplicate').click()
  await expectInk(student, { x: 204, y: 234 })
  await student.keyboard.press('Delete')
  await expectInk(student, { x: 204, y: 234 }, false)
  await seeAsTeacher(server, teacher, lesson)
  await expectInk(teacher, { x: 190, y: 290 })
  const [moved] = await server.rows<{ count: number }>(
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
  const { student } = await atWork(server, somebody, pdf, TABLET)
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
  await button(student, 'Done').click()
  await button(student, 'Undo').click()
  await expectInk(student, { x: 250, y: 150 })
})

test('pictures dragged in and from the camera, picked up with a box, copied into another copy', async ({
  somebody,
}) => {
  const { student, teacher, lesson } = await atWork(server, somebody, pdf)
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
  await button(student, 'Done').click()
  await student.getByLabel('A picture from the camera').setInputFiles({
    name: 'photo.png',
    mimeType: 'image/png',
    buffer: bytes,
  })
  await expect(student.getByTestId('picked')).toBeVisible()
  await button(student, 'Done').click()
  await expectKept(student)
  // The pen is in hand again: nobody asked for the loop.
  await drawWithMouse(student, across(30))
  await expectInk(student, { x: 200, y: 30 })

  await button(student, 'Pick up').click()
  await button(student, 'Pick up: box').click()
  await drawWithMouse(student, along({ x: 30, y: 40 }, { x: 560, y: 500 }))
  await expect(student.getByTestId('picked')).toBeVisible()
  await button(student, 'Copy').click()
  const pictures = (copy: string) =>
    server.rows(
      "SELECT 1 FROM event, jsonb_array_elements(body->'items') AS i WHERE copy_id = $1 AND i->>'kind' = 'picture'",
      [copy],
    )
  expect(await pictures(lesson.students[0]!.copy)).toHaveLength(2)

  // Another copy of the same student: the pictures come along with their bytes.
  const { copies } = await giveOut(server, teacher, lesson)
  const other = copies[0]!.id
  await student.goto(`${server.url}/copy/${other}`)
  await student.locator('main[aria-busy=false]').waitFor()
  await button(student, 'Add').click()
  await button(student, 'Paste').click()
  await expect.poll(() => pictures(other)).toHaveLength(2)
  const [own] = await server.rows<{ count: number }>(
    'SELECT count(*)::int FROM attachment WHERE copy_id = $1',
    [other],
  )
  expect(own!.count).toBe(2)
})

test('let go in the same moment as it was moved, what is picked lies where the hand let go', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, pdf)
  await drawWithMouse(student, along({ x: 200, y: 200 }, { x: 260, y: 220 }))
  await button(student, 'Pick up').click()
  await drawWithMouse(student, loop(180, 180, 290, 250))
  const box = await boxOf(student)
  const from = { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  await student.mouse.move(from.x, from.y)
  await student.mouse.down()
  await student.mouse.move(from.x + 20, from.y)
  // The last of the way and letting go come before anything is drawn.
  await student.evaluate(
    ({ x, y }) => {
      const under = document.elementFromPoint(x, y)!
      const at = { clientX: x, clientY: y, pointerId: 1, pointerType: 'mouse', bubbles: true, button: 0 }
      under.dispatchEvent(new PointerEvent('pointermove', { ...at, buttons: 1 }))
      under.dispatchEvent(new PointerEvent('pointerup', { ...at, buttons: 0 }))
    },
    { x: from.x + 150, y: from.y + 90 },
  )
  await student.mouse.up()
  await expect.poll(async () => Math.round((await boxOf(student)).x - box.x)).toBe(150)
  expect(Math.round((await boxOf(student)).y - box.y)).toBe(90)
})

test('a tiny thing that is picked moves when it is dragged, by mouse and by finger, and grows by its handles', async ({
  somebody,
}) => {
  for (const options of [{}, TABLET]) {
    const { student } = await atWork(server, somebody, pdf, options)
    const finger = options === TABLET
    const draw = finger ? drawWithFinger : drawWithMouse
    await draw(student, along({ x: 200, y: 200 }, { x: 204, y: 206 }, 3))
    await expectInk(student, { x: 202, y: 203 })
    await button(student, 'Pick up').click()
    await draw(student, loop(180, 180, 230, 230))
    const before = await boxOf(student)
    await draw(student, along({ x: 202, y: 203 }, { x: 300, y: 303 }, 5))
    await expectInk(student, { x: 300, y: 303 })
    await expectInk(student, { x: 202, y: 203 }, false)
    const after = await boxOf(student)
    expect(Math.abs(after.width - before.width) + Math.abs(after.height - before.height)).toBeLessThan(2)

    const handle = (await student.locator('[data-handle=corner]').nth(2).boundingBox())!
    const from = { x: handle.x + handle.width / 2, y: handle.y + handle.height / 2 }
    if (finger) {
      await touch(student, 'touchStart', [from])
      await touch(student, 'touchMove', [{ x: from.x + 10, y: from.y + 10 }])
      await touch(student, 'touchMove', [{ x: from.x + 30, y: from.y + 30 }])
      await touch(student, 'touchEnd', [])
    } else {
      await student.mouse.move(from.x, from.y)
      await student.mouse.down()
      await student.mouse.move(from.x + 30, from.y + 30, { steps: 3 })
      await student.mouse.up()
    }
    await expect.poll(async () => (await boxOf(student)).width).toBeGreaterThan(after.width * 2)
  }
})

test('what keys pick and move comes into sight', async ({ somebody }) => {
  const { student } = await atWork(server, somebody, pdf)
  await drawWithMouse(student, across(150))
  for (let press = 0; press < 4; press++) await student.keyboard.press('-')
  await drawWithMouse(student, across(780))
  await expectInk(student, { x: 190, y: 780 })
  await button(student, 'Pick up').click()
  for (let press = 0; press < 6; press++) await student.keyboard.press('+')
  const inSight = () => expect(student.getByTestId('picked')).toBeInViewport({ ratio: 1 })
  await student.keyboard.press(']')
  await inSight()
  await student.keyboard.press(']')
  await inSight()
  for (let press = 0; press < 30; press++) await student.keyboard.press('Shift+ArrowUp')
  await inSight()
})
