import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { openCopy, prepareLesson } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import {
  along,
  drawWithFinger,
  drawWithMouse,
  drawWithPen,
  expectInk,
  expectKept,
  inkAt,
  onScreen,
  touch,
} from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}, {}])

const across = (y: number) => along({ x: 80, y }, { x: 300, y })
const view = async (page: Page) => {
  const { scale, x, y } = await page
    .getByTestId('page')
    .evaluate((element) => ({ ...(element as HTMLElement).dataset }))
  return { scale: Number(scale), x: Number(x), y: Number(y) }
}

test('a finger writes until a pen has been seen, then it moves the page; two fingers always move and zoom', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Lotte Lindqvist'], pdf)
  const tablet = await somebody({ viewport: { width: 820, height: 1180 }, hasTouch: true })
  await openCopy(server, tablet, lesson, 0)
  await drawWithFinger(tablet, across(150))
  await expectInk(tablet, { x: 200, y: 150 })

  // Two fingers apart: zoomed around them, nothing written.
  const before = await view(tablet)
  const left = await onScreen(tablet, { x: 250, y: 400 })
  const right = { x: left.x + 100, y: left.y }
  await touch(tablet, 'touchStart', [left])
  await touch(tablet, 'touchStart', [left, right])
  for (let step = 1; step <= 6; step++)
    await touch(tablet, 'touchMove', [
      { ...left, x: left.x - step * 10 },
      { ...right, x: right.x + step * 10 },
    ])
  await touch(tablet, 'touchEnd', [])
  await expect.poll(() => view(tablet).then(({ scale }) => scale / before.scale)).toBeGreaterThan(1.8)
  await tablet.keyboard.press('0')
  expect(await inkAt(tablet, { x: 250, y: 400 })).toBe(0)

  await drawWithPen(tablet, across(220))
  await expectInk(tablet, { x: 200, y: 220 })
  // The hand that holds the pen rests a moment longer; then one finger moves the page.
  await tablet.keyboard.press('+')
  const zoomed = await view(tablet)
  const finger = { x: 400, y: 700 }
  await expect
    .poll(async () => {
      await touch(tablet, 'touchStart', [finger])
      for (let step = 1; step <= 5; step++) await touch(tablet, 'touchMove', [{ x: 400, y: 700 - step * 20 }])
      await touch(tablet, 'touchEnd', [])
      return (await view(tablet)).y
    })
    .toBeLessThan(zoomed.y - 50)
  await expectKept(tablet)
  const strokes = await server.rows('SELECT 1 FROM event WHERE copy_id = $1', [lesson.students[0]!.copy])
  expect(strokes).toHaveLength(2)

  // A tap of such a finger still picks up and puts down; moving on, it moves the page.
  await tablet.keyboard.press('0')
  const tap = async (place: { x: number; y: number }) => {
    await touch(tablet, 'touchStart', [await onScreen(tablet, place)])
    await touch(tablet, 'touchEnd', [])
  }
  const picked = tablet.getByTestId('picked')
  await tablet.getByRole('button', { name: 'Pick up' }).click()
  await tap({ x: 200, y: 220 })
  await expect(picked).toBeVisible()
  await tablet.getByRole('button', { name: 'Done' }).click()
  await tablet.getByRole('button', { name: 'Add' }).click()
  await tablet.getByRole('button', { name: 'Words', exact: true }).click()
  await drawWithFinger(tablet, across(420))
  await expect(tablet.getByTestId('words')).toHaveCount(0)
  await tap({ x: 120, y: 420 })
  await expect(tablet.getByTestId('words')).toBeFocused()
})

test('a palm does nothing, on its own or beside the pen', async ({ somebody }) => {
  const lesson = await prepareLesson(server, await somebody(), ['Amaru Mensah'], pdf)
  const tablet = await somebody({ viewport: { width: 820, height: 1180 }, hasTouch: true })
  await openCopy(server, tablet, lesson, 0)
  await drawWithFinger(tablet, across(300), 45)
  await drawWithFinger(tablet, across(150))
  await expectInk(tablet, { x: 200, y: 150 })
  expect(await inkAt(tablet, { x: 200, y: 300 })).toBe(0)
})

test('pressure makes the line swell', async ({ somebody }) => {
  const lesson = await prepareLesson(server, await somebody(), ['Iris Novotná'], pdf)
  const iris = await somebody()
  await openCopy(server, iris, lesson, 0)
  await iris.getByRole('button', { name: 'blue-green paintbrush' }).click()
  await drawWithPen(iris, along({ x: 80, y: 200 }, { x: 400, y: 200 }, 30))
  await expectInk(iris, { x: 240, y: 200 })
  const thickness = (x: number) =>
    iris.getByTestId('page').evaluate((element, at) => {
      const { scale, x: left, y: top } = (element as HTMLElement).dataset
      const canvas = element.querySelector<HTMLCanvasElement>('[data-layer=ink]')!
      const px = Math.round(Number(left) + at * Number(scale))
      const { data } = canvas
        .getContext('2d')!
        .getImageData(px, Math.round(Number(top) + 180 * Number(scale)), 1, Math.round(40 * Number(scale)))
      let sum = 0
      for (let index = 3; index < data.length; index += 4) sum += data[index]! / 255
      return sum
    }, x)
  expect(await thickness(370)).toBeGreaterThan((await thickness(110)) * 1.3)
})

test('rubbing out, undo and redo, by strip and by keys, across pages', async ({ somebody }) => {
  const lesson = await prepareLesson(server, await somebody(), ['Emre Okafor'], pdf)
  const emre = await somebody()
  await openCopy(server, emre, lesson, 0)
  await expect(emre.getByRole('button', { name: 'Undo' })).toBeDisabled()
  await drawWithMouse(emre, across(120))
  await drawWithMouse(emre, across(180))
  await emre.keyboard.press('e')
  await drawWithMouse(emre, along({ x: 200, y: 105 }, { x: 200, y: 135 }))
  await expectInk(emre, { x: 150, y: 120 }, false)
  await expectInk(emre, { x: 150, y: 180 })
  await emre.getByRole('button', { name: 'Undo' }).click()
  await expectInk(emre, { x: 150, y: 120 })
  await emre.keyboard.press('Control+y')
  await expectInk(emre, { x: 150, y: 120 }, false)
  await emre.keyboard.press('PageDown')
  await emre.keyboard.press('2')
  await drawWithMouse(emre, across(140))
  await emre.keyboard.press('PageDown')
  // Undo turns to the page it changes.
  await emre.keyboard.press('Control+z')
  await expect(emre.getByText('page 2 of 3')).toBeVisible()
  await expectInk(emre, { x: 150, y: 140 }, false)
  // After a reload the history is still there, and so is the page one was on.
  await expectKept(emre)
  await emre.reload()
  await emre.locator('main[aria-busy=false]').waitFor()
  await expect(emre.getByText('page 2 of 3')).toBeVisible()
  await emre.keyboard.press('Control+z')
  await expect(emre.getByText('page 1 of 3')).toBeVisible()
  await expectInk(emre, { x: 150, y: 120 })
})

test('the pen’s other end rubs out', async ({ somebody }) => {
  const lesson = await prepareLesson(server, await somebody(), ['Yusuf Quispe'], pdf)
  const yusuf = await somebody()
  // The protocol cannot press the eraser end: while the flag is set the page reads its buttons.
  await yusuf.addInitScript(() => {
    const pretend = (name: 'buttons' | 'button', value: number) => {
      const real = Object.getOwnPropertyDescriptor(MouseEvent.prototype, name)!
      Object.defineProperty(MouseEvent.prototype, name, {
        get() {
          return 'eraserEnd' in globalThis && this.type === 'pointerdown' ? value : real.get!.call(this)
        },
      })
    }
    pretend('buttons', 32)
    pretend('button', 5)
  })
  await openCopy(server, yusuf, lesson, 0)
  await drawWithPen(yusuf, across(150))
  await expectInk(yusuf, { x: 200, y: 150 })
  await yusuf.evaluate(() => Object.assign(globalThis, { eraserEnd: true }))
  await drawWithPen(yusuf, along({ x: 200, y: 130 }, { x: 200, y: 170 }))
  await expectInk(yusuf, { x: 150, y: 150 }, false)
})

test('zoom by wheel and keys keeps the ink on its place, and the highlighter lies under it', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Zélie Rahman'], pdf)
  const zelie = await somebody()
  await openCopy(server, zelie, lesson, 0)
  await drawWithMouse(zelie, across(160))
  await zelie.getByRole('button', { name: /yellow highlighter/ }).click()
  await drawWithMouse(zelie, along({ x: 80, y: 162 }, { x: 300, y: 162 }))
  await expectInk(zelie, { x: 200, y: 160 })
  await expect.poll(() => inkAt(zelie, { x: 200, y: 166 }, 'highlighter')).toBeGreaterThan(100)
  const at = await onScreen(zelie, { x: 200, y: 160 })
  await zelie.mouse.move(at.x, at.y)
  await zelie.keyboard.down('Control')
  await zelie.mouse.wheel(0, -300)
  await zelie.keyboard.up('Control')
  await expect.poll(() => view(zelie).then(({ scale }) => scale)).toBeGreaterThan(2)
  await expectInk(zelie, { x: 200, y: 160 })
  const after = await onScreen(zelie, { x: 200, y: 160 })
  expect(Math.hypot(after.x - at.x, after.y - at.y)).toBeLessThan(2)
  await zelie.keyboard.press('0')
  await expect.poll(() => view(zelie).then(({ scale }) => scale)).toBeLessThan(1.5)
})

test('a swatch pressed again changes its ink, and keeps it for the next visit', async ({ somebody }) => {
  const lesson = await prepareLesson(server, await somebody(), ['Hanno Sørensen'], pdf)
  const hanno = await somebody()
  await openCopy(server, hanno, lesson, 0)
  await hanno.getByRole('button', { name: 'black pen', exact: true }).click()
  await hanno.getByRole('radio', { name: 'blue-green', exact: true }).click()
  await hanno.keyboard.press('Escape')
  await expect(hanno.getByRole('button', { name: 'blue-green pen', exact: true })).toBeVisible()
  await hanno.reload()
  await hanno.locator('main[aria-busy=false]').waitFor()
  await drawWithMouse(hanno, across(150))
  await expectKept(hanno)
  const [row] = await server.rows<{ colour: string }>(
    "SELECT body->'items'->0->>'colour' AS colour FROM event WHERE copy_id = $1",
    [lesson.students[0]!.copy],
  )
  expect(row!.colour).toBe('#0f7c8c')
})
