import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { atWork } from './fixtures/atWork.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithMouse, expectInk, expectKept, onScreen } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}])

interface Laid {
  readonly kind: string
  readonly width: number
  readonly columns: number[]
  readonly rows: number[]
}

/** How tables were changed, in their order. */
async function changed(): Promise<Laid[]> {
  const rows = await server.rows(
    `SELECT body->'set'->'thing' AS thing FROM event WHERE body->>'act' = 'change' AND body->'set'->'thing'->>'kind' = 'table' ORDER BY seq`,
  )
  return (rows as { thing: Laid }[]).map(({ thing }) => thing)
}

test('a table grows with the ink in it, and what stands behind goes along; its lines are dragged, its rows counted', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, pdf)
  await button(student, 'Add').click()
  await button(student, 'Table').click()
  await drawWithMouse(student, along({ x: 100, y: 200 }, { x: 340, y: 290 }))
  await button(student, 'Done').click()

  // Ink in the second column; then some in the first that reaches over its line.
  await drawWithMouse(student, along({ x: 200, y: 210 }, { x: 200, y: 222 }))
  await drawWithMouse(student, along({ x: 150, y: 215 }, { x: 190, y: 217 }))
  await expect.poll(changed).toHaveLength(1)
  const [grown] = await changed()
  expect(grown!.width).toBeGreaterThan(255)
  const [first = 0, second = 0] = grown!.columns
  expect(first - second).toBeGreaterThan(20)
  await expectInk(student, { x: 200 + (grown!.width - 240), y: 216 })
  await button(student, 'Undo').click()
  await expectInk(student, { x: 200, y: 216 })

  // Its first line is dragged by 30 points.
  await button(student, 'Pick up').click()
  const border = await onScreen(student, { x: 220, y: 200 })
  await student.mouse.click(border.x, border.y)
  const line = (await student.getByRole('button', { name: 'Column 1, drag its line' }).boundingBox())!
  const unit = (await onScreen(student, { x: 130, y: 0 })).x - (await onScreen(student, { x: 100, y: 0 })).x
  await student.mouse.move(line.x + line.width / 2, line.y + line.height / 2)
  await student.mouse.down()
  await student.mouse.move(line.x + line.width / 2 + unit, line.y + line.height / 2, { steps: 4 })
  await student.mouse.up()
  await expect.poll(async () => Math.round((await changed()).at(-1)!.width)).toBe(270)
  await expectInk(student, { x: 230, y: 216 })

  await button(student, 'Table').click()
  await student.getByRole('button', { name: 'One row more' }).click()
  await expect.poll(async () => (await changed()).at(-1)!.rows).toHaveLength(4)
  await expectKept(student)
})

test('a line across a drawn box makes a table of it', async ({ somebody }) => {
  const { student } = await atWork(server, somebody, pdf)
  const corners = [
    { x: 100, y: 300 },
    { x: 300, y: 302 },
    { x: 299, y: 400 },
    { x: 101, y: 398 },
    { x: 100, y: 306 },
  ]
  await drawWithMouse(
    student,
    corners.flatMap((corner, index) => along(corners[index - 1] ?? corner, corner, 8)),
  )
  await button(student, 'Neat').click()
  await drawWithMouse(student, along({ x: 180, y: 297 }, { x: 182, y: 403 }))
  await button(student, 'Neat').click()
  await drawWithMouse(student, along({ x: 98, y: 350 }, { x: 302, y: 352 }))
  await button(student, 'Neat').click()
  await expectKept(student)
  const rows = await server.rows(
    `SELECT i FROM event, jsonb_array_elements(body->'items') AS i WHERE body->>'act' = 'swap' ORDER BY seq`,
  )
  const [box, divided, table] = (rows as { i: Laid }[]).map(({ i }) => i)
  expect(box).toMatchObject({ kind: 'shape', form: 'rectangle' })
  expect(divided!.columns).toHaveLength(2)
  expect(divided!.rows).toHaveLength(1)
  expect(table!.columns).toHaveLength(2)
  expect(table!.rows).toHaveLength(2)
})
