import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import sharp from 'sharp'
import { atWork, TABLET } from './fixtures/atWork.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithMouse, expectInk, expectKept, onScreen } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}])

interface Kept {
  readonly kind: string
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

/** What was put on pages, in its order, as it was put. */
async function put(kind: string): Promise<Kept[]> {
  const rows = await server.rows(
    `SELECT i FROM event, jsonb_array_elements(body->'items') AS i WHERE body->>'act' = 'add' AND i->>'kind' = '${kind}' ORDER BY seq`,
  )
  return (rows as { i: Kept }[]).map(({ i }) => i)
}

/** What of the wet canvas is coloured at a place of the page. */
async function marked(page: Page, at: { x: number; y: number }): Promise<boolean> {
  const place = await onScreen(page, at)
  return page.getByRole('main').evaluate((main, { x, y }) => {
    const canvas = main.querySelector<HTMLCanvasElement>('[data-layer=wet]')!
    const box = canvas.getBoundingClientRect()
    const ratio = canvas.width / box.width
    const [px, py] = [(x - box.left) * ratio, (y - box.top) * ratio]
    return canvas.getContext('2d')!.getImageData(Math.round(px), Math.round(py), 1, 1).data[3]! > 100
  }, place)
}

/** How many pixels of the wet canvas are coloured. */
const wetPixels = (page: Page) =>
  page.getByRole('main').evaluate((main) => {
    const canvas = main.querySelector<HTMLCanvasElement>('[data-layer=wet]')!
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height)
    return data.filter((alpha, index) => index % 4 === 3 && alpha > 0).length
  })

test('a loop with sharp corners leaves no speck behind', async ({ somebody }) => {
  const { student } = await atWork(server, somebody, pdf)
  await drawWithMouse(student, along({ x: 150, y: 150 }, { x: 160, y: 150 }))
  await button(student, 'Pick up').click()
  const corners = [
    { x: 140, y: 130 },
    { x: 170, y: 130 },
    { x: 170, y: 170 },
    { x: 140, y: 170 },
    { x: 140, y: 130 },
  ]
  await drawWithMouse(
    student,
    corners.flatMap((corner, index) => along(corners[index - 1] ?? corner, corner, 6)),
  )
  await expect(student.getByTestId('picked')).toBeVisible()
  expect(await wetPixels(student)).toBe(0)
})

test('the eraser shows what it will take before it takes it; its two ways are one tap apart', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, pdf)
  await drawWithMouse(student, along({ x: 100, y: 150 }, { x: 400, y: 150 }))
  await button(student, 'Rub out').click()
  const over = await onScreen(student, { x: 250, y: 150 })
  await student.mouse.move(over.x, over.y)
  await expect.poll(() => marked(student, { x: 380, y: 150 })).toBe(true)
  await expectInk(student, { x: 380, y: 150 })
  await button(student, 'Rub out: just here').click()
  await student.mouse.move(over.x, over.y)
  await expect.poll(() => marked(student, { x: 380, y: 150 })).toBe(false)
  await button(student, 'Rub out: whole lines').click()
  await student.mouse.click(over.x, over.y)
  await expectInk(student, { x: 380, y: 150 }, false)
  await student.mouse.move(over.x, over.y + 200)
  await expect.poll(() => marked(student, { x: 380, y: 150 })).toBe(false)
})

test('the row of tools fits a laptop and a tablet, whichever tool is in hand', async ({ somebody }) => {
  const { student } = await atWork(server, somebody, pdf)
  const row = student.getByRole('toolbar', { name: 'Writing' })
  for (const width of [1280, 820]) {
    await student.setViewportSize({ width, height: 1180 })
    for (const tool of ['Rub out', 'Pick up']) {
      await button(student, tool).click()
      await expect(row.getByRole('button', { name: new RegExp(`^${tool}: `) })).toHaveCount(2)
      await expect.poll(() => row.evaluate((all) => all.scrollWidth - all.clientWidth)).toBe(0)
    }
  }
})

test('lines go on, come level when they nearly are; the same again stands beside, evenly', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, pdf)
  await button(student, 'Add').click()
  await button(student, 'Line').click()
  await drawWithMouse(student, along({ x: 60, y: 100 }, { x: 260, y: 106 }))
  await drawWithMouse(student, along({ x: 60, y: 140 }, { x: 64, y: 260 }))
  await drawWithMouse(student, along({ x: 100, y: 140 }, { x: 200, y: 240 }))
  await expectKept(student)
  await expect.poll(async () => (await put('shape')).length).toBe(3)
  const [level, upright, falling] = await put('shape')
  expect([level!.height, upright!.width]).toEqual([0, 0])
  expect(falling!.height).toBeGreaterThan(90)

  await button(student, 'Add').click()
  await button(student, 'Box').click()
  await drawWithMouse(student, along({ x: 60, y: 320 }, { x: 120, y: 370 }))
  await button(student, 'Duplicate').click()
  await button(student, 'Duplicate').click()
  await expectKept(student)
  await expect.poll(async () => (await put('shape')).length).toBe(6)
  const [first, second, third] = (await put('shape')).slice(3)
  expect([second!.y, third!.y]).toEqual([first!.y, first!.y])
  expect(second!.x).toBeGreaterThan(first!.x + first!.width)
  expect(third!.x - second!.x).toBeCloseTo(second!.x - first!.x, 3)
})

test('a picture comes where nobody wrote, goes behind and in front of others, and undo brings it back', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, pdf)
  for (let y = 60; y < 260; y += 25) await drawWithMouse(student, along({ x: 60, y }, { x: 330, y }))
  const bytes = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#1b6e68' } })
    .png()
    .toBuffer()
  const bring = () =>
    student
      .getByLabel('A picture for the page')
      .setInputFiles({ name: 'crab.png', mimeType: 'image/png', buffer: bytes })
  await bring()
  await expect(student.getByTestId('picked')).toBeVisible()
  await expectKept(student)
  const [picture] = await put('picture')
  const clear = picture!.x > 330 || picture!.y > 240 || picture!.x + picture!.width < 60
  expect(clear, `it lies at ${picture!.x}, ${picture!.y}`).toBe(true)

  const overs = async () =>
    (await server.rows(
      "SELECT (body->'set'->'thing'->>'over')::int AS over FROM event WHERE body->>'act' = 'change' ORDER BY seq",
    )) as { over: number | null }[]
  await button(student, 'Front, back').click()
  await button(student, 'To the back').click()
  await expect.poll(async () => (await overs()).map(({ over }) => over)).toEqual([-1])
  await button(student, 'To the front').click()
  await expect.poll(async () => (await overs()).map(({ over }) => over)).toEqual([-1, 1])
  await student.keyboard.press('Escape')
  await student.keyboard.press('Control+z')
  await expect.poll(async () => (await overs()).length).toBe(3)
})

test('a voice note comes beside what was written last; large writing begins after it', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, pdf, { ...TABLET, permissions: ['microphone'] })
  await drawWithMouse(student, along({ x: 100, y: 300 }, { x: 220, y: 312 }))
  await button(student, 'Speak').tap()
  const stop = student.getByRole('button', { name: /^Stop 0:0[1-9]/ })
  await expect(stop).toBeVisible()
  // The row of tools fits the tablet while one speaks.
  const last = (await button(student, 'View').boundingBox())!
  expect(last.x + last.width).toBeLessThanOrEqual(820)
  await stop.tap()
  await button(student, 'Keep').tap()
  await expect.poll(async () => (await put('voice')).length).toBe(1)
  const [note] = await put('voice')
  expect(note!.x).toBeGreaterThan(220)
  expect(note!.x).toBeLessThan(300)
  expect(Math.abs(note!.y - 300)).toBeLessThan(60)
  await button(student, 'Write large').tap()
  const edge = student.getByTestId('close-up-edge')
  await expect
    .poll(async () => {
      const after = await onScreen(student, { x: 220, y: 306 })
      const box = (await edge.boundingBox())!
      return box.x > after.x && box.x < after.x + 40 && box.y > after.y && box.y < after.y + 40
    })
    .toBe(true)
})

test('a box drawn by hand is neat by one press, and drawn again by undo; who wants it always gets it at once', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, pdf)
  const neat = button(student, 'Neat')
  const swapped = async () => {
    const rows = await server.rows(
      `SELECT i FROM event, jsonb_array_elements(body->'items') AS i WHERE body->>'act' = 'swap' ORDER BY seq`,
    )
    return (rows as { i: { form: string; turn: number; height: number } }[]).map(({ i }) => i)
  }
  const corners = [
    { x: 100, y: 300 },
    { x: 260, y: 306 },
    { x: 256, y: 400 },
    { x: 103, y: 396 },
    { x: 101, y: 312 },
  ]
  await drawWithMouse(
    student,
    corners.flatMap((corner, index) => along(corners[index - 1] ?? corner, corner, 8)),
  )
  await neat.click()
  await expect(neat).toHaveCount(0)
  await expectKept(student)
  expect(await swapped()).toMatchObject([{ kind: 'shape', form: 'rectangle', turn: 0 }])
  await button(student, 'Undo').click()
  await expect(button(student, 'Redo')).toBeEnabled()
  await expectInk(student, { x: 260, y: 306 })

  // A letter is none.
  await drawWithMouse(student, along({ x: 300, y: 150 }, { x: 310, y: 162 }, 6))
  await expect(neat).toHaveCount(0)
  await button(student, 'View').click()
  await student.getByRole('radio', { name: 'always neat' }).click()
  await student.keyboard.press('Escape')
  await drawWithMouse(student, along({ x: 100, y: 100 }, { x: 280, y: 104 }))
  await expect.poll(async () => (await swapped()).at(-1)).toMatchObject({ form: 'line', height: 0 })
  await expect(neat).toHaveCount(0)
})
