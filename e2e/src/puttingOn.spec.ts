import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import sharp from 'sharp'
import { atWork } from './fixtures/atWork.ts'
import { openCopy } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import {
  along,
  button,
  drawWithMouse,
  expectColour,
  expectKept,
  onScreen,
  type Place,
} from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])

/** The colour of the picture that is put on pages here. */
const CRAB = [27, 110, 104]
const boxOf = async (page: Page) => (await page.getByTestId('picked').boundingBox())!
/** The place of the page in the middle of what is picked up. */
const middleOf = async (page: Page): Promise<Place> => {
  const { x, y, width, height } = await boxOf(page)
  const [from, to] = [await onScreen(page, { x: 0, y: 0 }), await onScreen(page, { x: 100, y: 0 })]
  const scale = (to.x - from.x) / 100
  return { x: (x + width / 2 - from.x) / scale, y: (y + height / 2 - from.y) / scale }
}
test('a long text beside a picture: typed with the tab killed in between, changed later, pasted and cut to size', async ({
  somebody,
}) => {
  const { student, teacher, lesson } = await atWork(server, somebody, pdf)
  const words = async (page: Page) => {
    const { copy } = lesson.students[0]!
    const answer = await teacher.request.get(`${server.url}/api/copies/${copy}/log`)
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
  await button(student, 'Add').click()
  await button(student, 'Words').click()
  const at = await onScreen(student, { x: 80, y: 200 })
  await student.mouse.click(at.x, at.y)
  await student.keyboard.type('The ebb runs out under the quay.')
  await expect.poll(() => words(student)).toContain('The ebb runs out under the quay.')
  // Nobody pressed anything: the tab is killed in the middle of typing.
  const context = student.context()
  await student.close()
  const again = await context.newPage()
  await openCopy(server, again, lesson, 0)
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
    .poll(() => server.rows("SELECT 1 FROM event WHERE body->'set'->'thing'->>'face' = 'book'"))
    .toHaveLength(1)

  // The side rewraps, the corner takes the letters along.
  const before = await boxOf(again)
  const drag = async (handle: 'e' | 'se', dx: number, dy: number) => {
    const box = (await again.locator(`[data-handle=${handle}]`).boundingBox())!
    await again.mouse.move(box.x + 22, box.y + 22)
    await again.mouse.down()
    await again.mouse.move(box.x + 22 + dx, box.y + 22 + dy, { steps: 3 })
    await again.mouse.up()
  }
  await drag('e', -90, 0)
  await expect.poll(async () => (await boxOf(again)).height).toBeGreaterThan(before.height + 10)
  const narrow = await boxOf(again)
  await drag('se', narrow.width / 2, narrow.height / 2)
  await expect.poll(async () => (await boxOf(again)).height).toBeGreaterThan(narrow.height * 1.3)
  await button(again, 'Done').click()

  await again.getByLabel('A picture for the page').setInputFiles({
    name: 'crab.png',
    mimeType: 'image/png',
    buffer: await sharp({ create: { width: 300, height: 200, channels: 3, background: '#1b6e68' } })
      .png()
      .toBuffer(),
  })
  const picture = await boxOf(again)
  await expectColour(again, await middleOf(again), CRAB)
  await button(again, 'Crop').click()
  await again.getByLabel('left', { exact: true }).fill('50')
  await again.keyboard.press('Escape')
  await expect.poll(async () => (await boxOf(again)).width).toBeLessThan(picture.width * 0.6)
  await expectKept(again)
  const answer = await teacher.request.get(`${server.url}/api/copies/${lesson.students[0]!.copy}/pdf`)
  expect((await answer.body()).includes('/Subtype /Image') || (await answer.body()).length > 5000).toBe(true)
})

test('a formula that school cannot draw just now is drawn when it is in reach again, and lands where one looks', async ({
  somebody,
}) => {
  const { student, lesson } = await atWork(server, somebody, pdf)
  await button(student, 'Add').click()
  await button(student, 'Formula').click()
  const dialog = student.getByRole('dialog', { name: 'A formula' })
  const put = dialog.getByRole('button', { name: 'Add it to the page' })
  await dialog.locator('math-field').waitFor()
  await student.context().setOffline(true)
  // The field that shows the formula takes the focus once, when it is there.
  const latex = dialog.getByLabel('The same in LaTeX')
  await latex.click()
  await expect(latex).toBeFocused()
  await latex.fill('h=\\frac{5.3}{2}')
  await expect(dialog.getByRole('alert')).toContainText('No connection to school')
  await expect(put).toBeDisabled()
  await student.context().setOffline(false)
  await put.click()
  await expect(student.getByTestId('picked')).toBeVisible()
  const formulas = () =>
    server.rows<{ latex: string }>(
      "SELECT i->>'latex' AS latex FROM event, jsonb_array_elements(body->'items') AS i WHERE copy_id = $1 AND i->>'kind' = 'formula'",
      [lesson.students[0]!.copy],
    )
  await expect.poll(formulas).toEqual([{ latex: 'h=\\frac{5.3}{2}' }])
  // Written anew, it is the same formula in other words.
  await student.getByTestId('picked').click()
  await latex.click()
  await latex.fill('h=2.65')
  await put.click()
  await expect
    .poll(() => server.rows("SELECT 1 FROM event WHERE body->'set'->'thing'->>'latex' = 'h=2.65'"))
    .toHaveLength(1)
})

test('a box that a student moves comes to lie in line with another, with a guide; handwriting stays where the hand puts it', async ({
  somebody,
}) => {
  const { student, lesson } = await atWork(server, somebody, pdf)
  const putBox = async (at: Place) => {
    await button(student, 'Add').click()
    await button(student, 'Box').click()
    await drawWithMouse(student, [at, { x: at.x + 80, y: at.y + 50 }])
  }
  await putBox({ x: 100, y: 200 })
  await button(student, 'Done').click()
  await putBox({ x: 250, y: 330 })
  const from = await middleOf(student)
  const start = await onScreen(student, from)
  const to = await onScreen(student, { x: from.x - 147, y: from.y + 20 })
  await student.mouse.move(start.x, start.y)
  await student.mouse.down()
  await student.mouse.move(to.x, to.y, { steps: 4 })
  await expect(student.locator('[data-guide=down]')).toBeVisible()
  await student.mouse.up()
  await expect(student.locator('[data-guide]')).toHaveCount(0)
  const moves = () =>
    server.rows<{ e: number }>(
      "SELECT (body->'by'->>'e')::float8 AS e FROM event WHERE copy_id = $1 AND body->>'act' = 'move' ORDER BY seq",
      [lesson.students[0]!.copy],
    )
  // It lies exactly under the other, whatever pixels it was drawn by.
  const lefts = async () => {
    const put = await server.rows<{ x: number }>(
      "SELECT (i->>'x')::float8 AS x FROM event, jsonb_array_elements(body->'items') AS i WHERE copy_id = $1 AND i->>'kind' = 'shape' ORDER BY seq",
      [lesson.students[0]!.copy],
    )
    return [put[0]!.x, put[1]!.x + ((await moves())[0]?.e ?? 0)]
  }
  await expect.poll(async () => Math.abs((await lefts())[0]! - (await lefts())[1]!) < 0.001).toBe(true)
  const near = async (wanted: number) => Math.abs(((await moves()).at(-1)?.e ?? 0) - wanted) < 2
  await button(student, 'Done').click()

  await drawWithMouse(student, along({ x: 300, y: 120 }, { x: 380, y: 120 }))
  await button(student, 'Pick up').click()
  const ink = await onScreen(student, { x: 340, y: 120 })
  await student.mouse.click(ink.x, ink.y)
  const there = await onScreen(student, { x: 340 - 196, y: 140 })
  await student.mouse.move(ink.x, ink.y)
  await student.mouse.down()
  await student.mouse.move(there.x, there.y, { steps: 4 })
  await expect(student.locator('[data-guide]')).toHaveCount(0)
  await student.mouse.up()
  await expect.poll(() => near(-196)).toBe(true)
})

test('the words of a note lie in the same place while they are typed and when they are drawn', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, pdf)
  await button(student, 'Add').click()
  await button(student, 'Note').click()
  const at = await onScreen(student, { x: 80, y: 200 })
  await student.mouse.click(at.x, at.y)
  await student.keyboard.type('Look at the harbour when the tide is out, and count the boats.')
  const field = (await student.getByLabel('Words of the note').boundingBox())!
  /** Where letters are in the part of the screen with the note: how far from its upper left. */
  const inked = async () => {
    const clip = { x: field.x + 10, y: field.y - 2, width: field.width - 10, height: field.height + 4 }
    const picture = sharp(await student.screenshot({ clip, caret: 'hide' }))
      .greyscale()
      .threshold(110)
      .negate()
    const { info } = await picture.trim({ threshold: 1 }).toBuffer({ resolveWithObject: true })
    return { left: -info.trimOffsetLeft!, top: -info.trimOffsetTop!, width: info.width, height: info.height }
  }
  const typed = await inked()
  expect(typed.height).toBeGreaterThan(25)
  await student.keyboard.press('Escape')
  await student.keyboard.press('Escape')
  await expect(student.getByLabel('Words of the note')).toHaveCount(0)
  await expect(student.getByTestId('picked')).toHaveCount(0)
  for (const side of ['left', 'top', 'width', 'height'] as const)
    await expect.poll(async () => Math.abs((await inked())[side] - typed[side])).toBeLessThanOrEqual(2)
})

test('on a laptop the camera is a live picture: what is seen is taken, and the camera is let go', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, pdf, { permissions: ['camera'] })
  await button(student, 'Add').click()
  await button(student, 'Camera').click()
  const seen = student.getByLabel('What the camera sees')
  await expect.poll(() => seen.evaluate((video: HTMLVideoElement) => video.videoWidth)).toBeGreaterThan(0)
  const track = await seen.evaluateHandle(
    (video: HTMLVideoElement) => (video.srcObject as MediaStream).getVideoTracks()[0]!,
  )
  await button(student, 'Take it').click()
  await expect(student.getByTestId('picked')).toBeVisible()
  expect(await track.evaluate(({ readyState }) => readyState)).toBe('ended')
  await expectKept(student)
})
