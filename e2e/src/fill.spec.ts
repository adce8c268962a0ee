import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { atWork } from './fixtures/atWork.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import {
  button,
  drawWithMouse,
  expectColour,
  expectInk,
  expectKept,
  onScreen,
  type Place,
} from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}])

/** A ring that misses its own end by a little. */
const ring = (middle: Place, radius: number): Place[] =>
  Array.from({ length: 60 }, (_none, step) => {
    const angle = (step / 59) * 2 * Math.PI * 0.985
    return { x: middle.x + radius * Math.cos(angle), y: middle.y + radius * Math.sin(angle) }
  })

const WHITE = [255, 255, 255]
const YELLOW = [245, 224, 167]
const GREEN = [161, 197, 172]

test('a tap colours what is drawn round with the colour that is chosen; another colour takes its place, undo brings it back', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, pdf, { hasTouch: true })
  await drawWithMouse(student, ring({ x: 200, y: 200 }, 70))
  const areas = async () => {
    const rows = await server.rows(`SELECT body FROM event WHERE body->>'act' = 'swap' ORDER BY seq`)
    return (rows as { body: { take: string[]; items: { form: string; fill: string }[] } }[]).map(
      ({ body }) => body,
    )
  }
  const tap = async (at: Place) => {
    const { x, y } = await onScreen(student, at)
    await student.touchscreen.tap(x, y)
  }
  await button(student, 'Add').click()
  await button(student, 'Fill').click()
  await button(student, 'yellow').click()
  await tap({ x: 190, y: 210 })
  await expectColour(student, { x: 230, y: 160 }, YELLOW)
  await expectColour(student, { x: 290, y: 160 }, WHITE)
  await button(student, 'green').click()
  await tap({ x: 190, y: 210 })
  await expectColour(student, { x: 230, y: 160 }, GREEN)
  await expectKept(student)
  const [first, second] = await areas()
  expect(first).toMatchObject({ take: [], items: [{ form: 'area', fill: '#e9b93b' }] })
  expect(second).toMatchObject({ take: [(first!.items[0] as unknown as { id: string }).id] })

  await button(student, 'Undo').click()
  await expectColour(student, { x: 230, y: 160 }, YELLOW)
  await tap({ x: 400, y: 350 })
  await expect(student.getByText('There is no closed line around this place.')).toBeVisible()
  // Tapped twice in a hurry it is coloured once.
  await button(student, 'green').click()
  await Promise.all([tap({ x: 190, y: 210 }), tap({ x: 195, y: 205 })])
  await expect
    .poll(async () => (await areas()).filter(({ items }) => items[0]?.fill === '#2e7d46'))
    .toHaveLength(3)
  await expectColour(student, { x: 230, y: 160 }, GREEN)
  await button(student, 'Undo').click()
  await button(student, 'Undo').click()
  await expectColour(student, { x: 230, y: 160 }, YELLOW)
  await student.keyboard.press('Escape')
  // The pen is in hand again.
  await drawWithMouse(student, [
    { x: 350, y: 100 },
    { x: 352, y: 130 },
  ])
  await expectKept(student)
  await student.reload()
  await expectColour(student, { x: 230, y: 160 }, YELLOW)
  await expectInk(student, { x: 351, y: 115 })
})
