import { readInk } from '@hand-back/core'
import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { atWork } from './fixtures/atWork.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithMouse, drawWithPen, expectKept, onScreen } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}])
const MM = 72 / 25.4

/** The places of the strokes that were kept, in their order. */
async function strokes(): Promise<{ x: number; y: number }[][]> {
  const rows = await server.rows(`SELECT body, ink FROM event WHERE body->>'act' = 'add' ORDER BY seq`)
  return (rows as { ink: Buffer }[]).map(({ ink }) => [...readInk(ink.toString('base64'))!])
}

async function lay(student: Page, name: string): Promise<void> {
  await button(student, 'Add').click()
  await button(student, name).click()
  await expect(student.getByTestId('instrument')).toHaveAttribute('aria-label', new RegExp(name))
}

/** Where on the page the middle of what is laid lies, by its own buttons. */
async function middleOf(student: Page, name: string): Promise<{ x: number; y: number }> {
  const box = (await student.getByTestId('instrument').getByRole('button', { name }).boundingBox())!
  const origin = await onScreen(student, { x: 0, y: 0 })
  const unit = (await onScreen(student, { x: 100, y: 0 })).x - origin.x
  return {
    x: ((box.x + box.width / 2 - origin.x) / unit) * 100,
    y: ((box.y + box.height / 2 - origin.y) / unit) * 100,
  }
}

test('a line along a ruler is straight and measured; level is felt, and keys move and turn it', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, pdf)
  await lay(student, 'Ruler')
  const says = await middleOf(student, 'cm · 0°')
  const top = says.y - 26 * 0.62 * MM
  await drawWithPen(student, along({ x: says.x - 80, y: top - 4 }, { x: says.x - 80 + 50 * MM, y: top - 25 }))
  await expect(student.getByTestId('instrument').getByRole('status')).toHaveText('5.0 cm · 0°')
  await expectKept(student)
  const [line] = await strokes()
  for (const { y } of line!) expect(Math.abs(y - top)).toBeLessThan(0.6)
  await expect(button(student, 'Neat')).toHaveCount(0)

  // Turned by R and moved by arrows; what is drawn then lies as it does.
  await student.getByRole('button', { name: 'cm · 0°' }).press('r')
  await student.getByRole('button', { name: 'cm · 15°' }).press('Shift+R')
  for (let step = 0; step < 3; step++)
    await student.getByRole('button', { name: 'cm · 0°' }).press('ArrowDown')
  await expect
    .poll(async () => Math.round((await middleOf(student, 'cm · 0°')).y - says.y))
    .toBe(Math.round(3 * MM))
  // Nearly level by hand is level.
  const knob = (await student.getByRole('button', { name: 'Turn it' }).boundingBox())!
  const [x, y] = [knob.x + knob.width / 2, knob.y + knob.height / 2]
  await student.mouse.move(x, y)
  await student.mouse.down()
  await student.mouse.move(x, y - 60, { steps: 4 })
  await expect(student.getByRole('button', { name: /cm · 1\d°/ })).toBeVisible()
  await student.mouse.move(x, y - 4, { steps: 4 })
  await expect(student.getByRole('button', { name: 'cm · 0°' })).toBeVisible()
  await student.mouse.up()

  // Beside it one writes as ever.
  await drawWithMouse(student, along({ x: 300, y: 60 }, { x: 310, y: 90 }))
  await student.getByRole('button', { name: 'cm · 0°' }).click()
  await expect(student.getByRole('button', { name: 'in · 0°' })).toBeVisible()
  await student.getByRole('button', { name: 'Take it up' }).click()
  await expect(student.getByTestId('instrument')).toHaveCount(0)
  await expectKept(student)
  expect(await strokes()).toHaveLength(2)
})

test('a protractor shows the angle of its arm, and one draws along it; compasses draw arcs and circles of their radius', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, pdf)
  const before = (await strokes()).length
  await lay(student, 'Protractor')
  for (const key of ['-', '-', '-', '-', '-', '+'])
    await student.getByTestId('instrument').getByRole('button').first().press(key)
  await expect(student.getByTestId('instrument')).toHaveAttribute('aria-label', 'Protractor, 56°')
  const arm = await middleOf(student, 'Move its arm')
  const far = 50 * MM + 14 * MM
  const vertex = {
    x: arm.x - far * Math.cos((56 * Math.PI) / 180),
    y: arm.y + far * Math.sin((56 * Math.PI) / 180),
  }
  await drawWithPen(student, along(vertex, { x: arm.x + 6, y: arm.y - 20 }))
  await expect(student.getByTestId('instrument').getByRole('status')).toHaveText(/ cm · 56°$/)
  await student.keyboard.press('Escape')
  await expect(student.getByTestId('instrument')).toHaveCount(0)

  await lay(student, 'Compasses')
  const pencil = await middleOf(student, 'Set how far apart')
  const point = { x: pencil.x - 40 * MM, y: pencil.y }
  const quarter = Array.from({ length: 13 }, (_none, step) => {
    const angle = (step / 12) * (Math.PI / 2)
    const off = 40 * MM + (step % 3) * 3
    return { x: point.x - off * Math.cos(angle), y: point.y - off * Math.sin(angle) }
  })
  await drawWithMouse(student, quarter)
  await expect(student.getByTestId('instrument').getByRole('status')).toHaveText('4.0 cm · 90°')
  await button(student, 'Draw the whole circle').click()
  await expectKept(student)
  await expect.poll(async () => (await strokes()).length - before).toBe(3)
  const [arc, circle] = (await strokes()).slice(-2)
  for (const { x, y } of [...arc!, ...circle!])
    expect(Math.abs(Math.hypot(x - point.x, y - point.y) - 40 * MM)).toBeLessThan(1)
})
