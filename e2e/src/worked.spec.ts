import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { BrowserContextOptions, Page } from '@playwright/test'
import sharp from 'sharp'
import { TABLET } from './fixtures/atWork.ts'
import { openCopy, prepareLesson } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import {
  along,
  button,
  drawWithFinger,
  drawWithMouse,
  expectInk,
  expectKept,
  inkAt,
  onScreen,
  type Place,
} from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])
const crab = await sharp({ create: { width: 240, height: 160, channels: 3, background: '#e9b93b' } })
  .png()
  .toBuffer()

const HANDS: readonly (readonly [
  string,
  BrowserContextOptions,
  (page: Page, way: Place[]) => Promise<void>,
])[] = [
  ['a finger on a tablet', TABLET, drawWithFinger],
  ['a mouse on a laptop', { viewport: { width: 1280, height: 800 } }, drawWithMouse],
]

const across = (y: number) => along({ x: 80, y }, { x: 260, y })
const pen = (page: Page, index: number) =>
  page.getByRole('group', { name: 'Pens' }).getByRole('button').nth(index).click()

for (const [hand, options, draw] of HANDS) {
  test(`a worked page with ${hand}: server killed, network cut and tab killed in between, then all of it undone`, async ({
    somebody,
  }) => {
    test.setTimeout(120_000)
    const lesson = await prepareLesson(server, await somebody(), ['Noor Farrant'], pdf)
    const first = await somebody(options)
    await openCopy(server, first, lesson, 0)

    // Three colours and a highlighted answer; the server dies between the second and the third.
    for (const [index, y] of [
      [0, 110],
      [1, 140],
    ] as const) {
      if (index > 0) await pen(first, index)
      await draw(first, across(y))
    }
    await server.kill()
    await pen(first, 2)
    await draw(first, across(170))
    await pen(first, 5)
    await draw(first, across(170))
    await server.start()
    await expectKept(first)
    await expectInk(first, { x: 170, y: 170 })
    expect(await inkAt(first, { x: 170, y: 174 }, 'highlighter')).toBeGreaterThan(100)

    // A picture with its label, a long text beside it.
    await first.getByLabel('A picture for the page').setInputFiles({
      name: 'crab.png',
      mimeType: 'image/png',
      buffer: crab,
    })
    await expect(first.getByTestId('picked')).toBeVisible()
    await button(first, 'Done').click()
    await pen(first, 0)
    await draw(first, along({ x: 420, y: 300 }, { x: 480, y: 280 }))
    await button(first, 'Add').click()
    await button(first, 'Words').click()
    await draw(first, along({ x: 80, y: 230 }, { x: 260, y: 232 }, 4))
    await first.keyboard.type(
      'The water stands highest at 10:25 and lowest at 16:40, so it falls for six hours.',
    )
    await first.keyboard.press('Escape')
    await button(first, 'Done').click()

    // Half the page picked up, moved and turned, without a network.
    await first.context().setOffline(true)
    await button(first, 'Pick up').click()
    await draw(first, [
      { x: 60, y: 95 },
      { x: 290, y: 95 },
      { x: 290, y: 195 },
      { x: 60, y: 195 },
      { x: 60, y: 97 },
    ])
    const box = (await first.getByTestId('picked').boundingBox())!
    const from = await onScreen(first, { x: 170, y: 140 })
    const to = await onScreen(first, { x: 320, y: 140 })
    await dragOn(first, options.hasTouch === true, from, to)
    await expect
      .poll(async () => (await first.getByTestId('picked').boundingBox())!.x)
      .toBeGreaterThan(box.x + 100)
    for (let press = 0; press < 6; press++) await button(first, 'Rotate').click()
    await expect.poll(() => inkAt(first, { x: 100, y: 110 })).toBeLessThan(50)
    await first.context().setOffline(false)
    await expectKept(first)

    // The tab dies; another shows the same.
    const context = first.context()
    await first.close()
    const page = await context.newPage()
    await openCopy(server, page, lesson, 0)
    // Upright now; where exactly depends on how wide the hand drew.
    await expect
      .poll(async () => {
        const seen = await Promise.all([314, 318, 322, 326].map((x) => inkAt(page, { x, y: 215 })))
        return Math.max(...seen)
      })
      .toBeGreaterThan(100)
    await expectInk(page, { x: 170, y: 170 }, false)

    const undo = button(page, 'Undo')
    for (let press = 0; press < 60 && (await undo.isEnabled()); press++) await undo.click()
    await expect(undo).toBeDisabled()
    await button(page, 'Pick up').click()
    await page.keyboard.press('Control+a')
    await expect(page.getByTestId('picked')).toHaveCount(0)
    await expectKept(page)
  })
}

/** Drags something that lies over the page, by touch or by mouse. */
async function dragOn(page: Page, byTouch: boolean, from: Place, to: Place): Promise<void> {
  const steps = 6
  const places = Array.from({ length: steps + 1 }, (_, step) => ({
    x: from.x + ((to.x - from.x) * step) / steps,
    y: from.y + ((to.y - from.y) * step) / steps,
  }))
  if (!byTouch) {
    await page.mouse.move(from.x, from.y)
    await page.mouse.down()
    for (const { x, y } of places) await page.mouse.move(x, y)
    await page.mouse.up()
    return
  }
  const cdp = await page.context().newCDPSession(page)
  const send = (type: 'touchStart' | 'touchMove' | 'touchEnd', at: readonly Place[]) =>
    cdp.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: at.map(({ x, y }, id) => ({ id, x, y, radiusX: 8, radiusY: 8 })),
    })
  await send('touchStart', [from])
  for (const place of places) await send('touchMove', [place])
  await send('touchEnd', [])
  await cdp.detach()
}
