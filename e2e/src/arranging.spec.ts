import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { prepareLesson } from './fixtures/lesson.ts'
import { kept, kind, openPreparing, printed, put } from './fixtures/preparing.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, drawWithFinger, expectColour, onScreen, touch } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])

const INK = [30, 43, 58] as const
const NAMES = ['Teodor Iqbal', 'Rafi Kowal'] as const

test('by keyboard alone: put down, say, line up, repeat, move, undo, and go on after a reload', async ({
  somebody,
}) => {
  const columns = async () => new Set((await printed(server)).map(({ x }) => x)).size
  const teacher = await somebody()
  await prepareLesson(server, teacher, NAMES, pdf)
  await openPreparing(server, teacher)
  await kind(teacher, 'Typed box').focus()
  await teacher.keyboard.press('Enter')
  await teacher.keyboard.type('height')
  await teacher.getByTestId('preparing').focus()
  await expect(teacher.getByLabel('Label')).toHaveValue('height')

  // Four in a column, evenly; then the one that was moved away is lined up again.
  await teacher.getByText('Repeat in rows').click()
  await teacher.getByLabel('Down', { exact: true }).fill('4')
  await teacher.getByRole('button', { name: 'Repeat', exact: true }).click()
  await expect(teacher.getByRole('heading', { name: '4 things' })).toBeVisible()
  await teacher.getByTestId('preparing').focus()
  await teacher.keyboard.press('Escape')
  await teacher.keyboard.press('Tab')
  await teacher.keyboard.press('Shift+ArrowLeft')
  await expect.poll(columns).toBe(2)
  await teacher.keyboard.press('Control+a')
  await teacher.getByRole('button', { name: 'Line up at the left' }).focus()
  await teacher.keyboard.press('Enter')
  await expect.poll(columns).toBe(1)
  await teacher.getByTestId('preparing').focus()
  await teacher.keyboard.press('Control+z')
  await expect.poll(columns).toBe(2)
  await teacher.keyboard.press('Control+z')
  await teacher.keyboard.press('Control+z')
  await expect.poll(async () => (await printed(server)).length).toBe(1)
  await teacher.keyboard.press('Control+y')
  await expect.poll(async () => (await printed(server)).length).toBe(4)

  // Exact millimetres.
  await teacher.keyboard.press('Escape')
  await teacher.keyboard.press('Tab')
  await teacher.getByLabel('mm from the left').fill('25.4')
  await teacher.getByLabel('mm wide').fill('50.8')
  await kept(teacher)
  await expect
    .poll(async () =>
      (await printed(server)).some(({ x, width }) => x === 72 && Math.abs(Number(width) - 144) < 0.01),
    )
    .toBe(true)

  await teacher.reload()
  await expect(teacher.getByTestId('preparing')).toBeVisible()
  await teacher.getByTestId('preparing').focus()
  await teacher.keyboard.press('Tab')
  await expect(teacher.getByLabel('mm wide')).toHaveValue('50.8')
})

test('keys go where one expects: to the page after a kind is chosen, out of fields by Escape, undo right after placing', async ({
  somebody,
}) => {
  const teacher = await somebody()
  await prepareLesson(server, teacher, NAMES, pdf)
  await openPreparing(server, teacher)
  const page = teacher.getByTestId('preparing')
  await kind(teacher, 'Typed box').click()
  await expect(page).toBeFocused()
  await teacher.keyboard.press('Escape')
  await expect(kind(teacher, 'Typed box')).toHaveAttribute('aria-pressed', 'false')

  await put(teacher, 'Typed box', 100, 100, 200, 40)
  await expect(teacher.getByLabel('Label')).toBeFocused()
  await teacher.keyboard.press('Control+z')
  await expect(page).toBeFocused()
  await expect(teacher.getByLabel('Label')).toHaveCount(0)
  await teacher.keyboard.press('Control+y')
  await kept(teacher)
  expect(await printed(server)).toHaveLength(1)

  // A double press opens its words; Escape leaves them; a press beside lets go.
  const at = await onScreen(teacher, { x: 150, y: 120 })
  await teacher.mouse.dblclick(at.x, at.y)
  await expect(teacher.getByLabel('Label')).toBeFocused()
  await teacher.keyboard.type('height')
  await teacher.keyboard.press('Escape')
  await expect(page).toBeFocused()
  await expect(teacher.getByLabel('Label')).toHaveValue('height')
  const beside = await onScreen(teacher, { x: -12, y: 200 })
  await teacher.mouse.click(beside.x, beside.y)
  await expect(teacher.getByLabel('Label')).toHaveCount(0)
})

test('a thing out of sight comes into sight when a key picks it or moves it', async ({ somebody }) => {
  const teacher = await somebody()
  await prepareLesson(server, teacher, NAMES, pdf)
  await openPreparing(server, teacher)
  await put(teacher, 'Shape', 100, 60, 80, 50)
  await put(teacher, 'Shape', 400, 740, 80, 50)
  const page = teacher.getByTestId('preparing')
  await page.focus()
  await teacher.keyboard.press('Escape')
  for (let press = 0; press < 8; press++) await teacher.keyboard.press('+')
  const picked = teacher.getByTestId('picked')
  const inSight = () => expect(picked).toBeInViewport({ ratio: 1 })
  await teacher.keyboard.press('Tab')
  await inSight()
  await teacher.keyboard.press('Tab')
  await expect(teacher.getByLabel('mm from the left')).toHaveValue(/^141/)
  await inSight()
  for (let press = 0; press < 24; press++) await teacher.keyboard.press('Shift+ArrowUp')
  await inSight()
})

test('things snap to each other with a guide, and are copied to another page and another worksheet', async ({
  somebody,
}) => {
  const teacher = await somebody({ permissions: ['clipboard-read', 'clipboard-write'] })
  await prepareLesson(server, teacher, NAMES, pdf)
  await openPreparing(server, teacher)
  await put(teacher, 'Shape', 100, 200, 80, 50)
  await put(teacher, 'Shape', 250, 330, 80, 50)
  const from = await onScreen(teacher, { x: 290, y: 355 })
  const to = await onScreen(teacher, { x: 143, y: 395 })
  await teacher.mouse.move(from.x, from.y)
  await teacher.mouse.down()
  await teacher.mouse.move(to.x, to.y, { steps: 4 })
  await expect(teacher.locator('[data-guide=down]')).toBeVisible()
  await teacher.mouse.up()
  await expect
    .poll(async () => new Set((await printed(server)).map(({ x }) => Math.round(Number(x)))).size)
    .toBe(1)

  await teacher.getByTestId('preparing').focus()
  await teacher.keyboard.press('Control+a')
  await teacher.keyboard.press('Control+c')
  await teacher.keyboard.press('PageDown')
  await teacher.keyboard.press('Control+v')
  await expect(teacher.getByRole('heading', { name: '2 things' })).toBeVisible()
  await kept(teacher)
  await teacher.getByRole('link', { name: 'Shelf' }).click()
  await teacher.getByRole('button', { name: 'Begin on paper' }).click()
  await teacher.getByLabel('Its name').fill('Knots to learn')
  await teacher.getByRole('button', { name: 'Dotted' }).click()
  await teacher.getByLabel('Size', { exact: true }).selectOption('A5')
  await teacher.getByRole('button', { name: 'Begin', exact: true }).click()
  await expect(teacher.getByLabel('Title of the worksheet')).toHaveValue('Knots to learn')
  await expect(teacher.getByText('148 × 210 mm').first()).toBeVisible()
  await teacher.getByTestId('preparing').focus()
  await teacher.keyboard.press('Control+v')
  await expect.poll(async () => (await printed(server)).length).toBe(2)
  await kept(teacher)
  // What was made last is seen first.
  await teacher.getByRole('link', { name: 'Shelf' }).click()
  await expect(teacher.getByRole('link', { name: /^First page of/ }).first()).toHaveAccessibleName(
    /Knots to learn/,
  )
})

test('several things get a colour, letters and lines at once; what one of them does not have it does not get', async ({
  somebody,
}) => {
  const teacher = await somebody()
  await prepareLesson(server, teacher, NAMES, pdf)
  await openPreparing(server, teacher)
  await put(teacher, 'Text', 100, 100, 200, 30)
  await teacher.getByLabel('Words').fill('ebb')
  await put(teacher, 'Typed box', 100, 200, 200, 30)
  await put(teacher, 'Shape', 100, 300, 100, 60)
  await teacher.getByTestId('preparing').focus()
  await teacher.keyboard.press('Control+a')
  await expect(teacher.getByRole('heading', { name: '3 things' })).toBeVisible()
  await teacher.getByLabel('Letter size, pt').fill('22')
  await teacher.getByLabel('Line, pt').fill('4')
  await teacher
    .getByRole('radiogroup', { name: 'Colour' })
    .getByRole('radio', { name: 'red', exact: true })
    .click()
  await kept(teacher)
  const looks = async () =>
    (await printed(server)).map(({ kind: what, colour, size, line }) => ({ what, colour, size, line }))
  const [text, box, shape] = await looks()
  expect(text).toMatchObject({ what: 'text', size: 22 })
  expect(box).toEqual({ what: 'typed', size: 22, colour: undefined, line: undefined })
  expect(shape).toMatchObject({ what: 'shape', line: 4, colour: text!.colour })
  expect(text!.colour).not.toBe('#1e2b3a')
  await teacher.getByTestId('preparing').focus()
  await teacher.keyboard.press('Control+z')
  await kept(teacher)
  await expect.poll(async () => (await looks())[0]!.colour).not.toBe(text!.colour)
})

test('a thing is turned by its handle, made longer as it lies, and turned back by undo; several grow together', async ({
  somebody,
}) => {
  const teacher = await somebody()
  await prepareLesson(server, teacher, NAMES, pdf)
  await openPreparing(server, teacher)
  await put(teacher, 'Shape', 100, 200, 80, 50)
  await teacher.getByLabel('Line, pt').fill('8')
  const handle = async (name: string) => (await teacher.locator(`[data-handle=${name}]`).boundingBox())!
  const drag = async (from: { x: number; y: number }, to: { x: number; y: number }) => {
    await teacher.mouse.move(from.x, from.y)
    await teacher.mouse.down()
    await teacher.mouse.move(to.x, to.y, { steps: 4 })
    await teacher.mouse.up()
  }
  const middleOf = (box: { x: number; y: number; width: number; height: number }) => ({
    x: box.x + box.width / 2,
    y: box.y + box.height / 2,
  })
  const middle = await onScreen(teacher, { x: 140, y: 225 })
  await drag(middleOf(await handle('turn')), { x: middle.x + 70, y: middle.y })
  const turn = async () => Math.round(Number((await printed(server))[0]?.turn ?? 0))
  await expect.poll(turn).toBe(90)
  // Upright now: its left rim is where its foot was.
  await expectColour(teacher, { x: 150, y: 185 }, INK)

  // What was its right side lies below, and is dragged down.
  const foot = middleOf(await handle('e'))
  await drag(foot, { x: foot.x, y: foot.y + 30 })
  await expect.poll(async () => Number((await printed(server))[0]?.width)).toBeGreaterThan(95)
  await expectColour(teacher, { x: 150, y: 185 }, INK)

  await put(teacher, 'Typed box', 300, 200, 100, 30)
  await teacher.getByTestId('preparing').focus()
  await teacher.keyboard.press('Control+a')
  // A box to type in stays upright: several with one are not turned.
  await expect(teacher.locator('[data-handle=turn]')).toHaveCount(0)
  const widths = async () => (await printed(server)).map(({ width }) => Math.round(Number(width)))
  await expect.poll(widths).toHaveLength(2)
  const before = await widths()
  const corner = middleOf(
    await teacher
      .locator('[data-handle=corner]')
      .nth(2)
      .boundingBox()
      .then((box) => box!),
  )
  await drag(corner, { x: corner.x + 120, y: corner.y + 60 })
  await expect
    .poll(async () => (await widths()).every((width, index) => width > before[index]! * 1.1))
    .toBe(true)

  await teacher.getByTestId('preparing').focus()
  for (let step = 0; step < 4; step++) await teacher.keyboard.press('Control+z')
  await expect.poll(turn).toBe(0)
})

test('by touch: one finger moves a thing, two move and zoom the page and nothing on it', async ({
  somebody,
}) => {
  const teacher = await somebody({ viewport: { width: 820, height: 1180 }, hasTouch: true })
  await prepareLesson(server, teacher, NAMES, pdf)
  await openPreparing(server, teacher)
  await put(teacher, 'Shape', 200, 200, 100, 100)
  await kept(teacher)
  const places = async () =>
    (await printed(server)).map(({ x, y }) => [Math.round(Number(x)), Math.round(Number(y))])
  const [before] = await places()
  await drawWithFinger(teacher, along({ x: 250, y: 250 }, { x: 330, y: 390 }, 5))
  await expect.poll(places).not.toEqual([before])
  const [moved] = await places()

  const middle = { x: moved![0]! + 50, y: moved![1]! + 50 }
  const at = await onScreen(teacher, middle)
  const other = { x: at.x + 60, y: at.y }
  await touch(teacher, 'touchStart', [at])
  await touch(teacher, 'touchStart', [at, other])
  for (let step = 1; step <= 5; step++)
    await touch(teacher, 'touchMove', [
      { x: at.x - step * 8, y: at.y },
      { x: other.x + step * 8, y: at.y },
    ])
  await touch(teacher, 'touchEnd', [])
  await expect
    .poll(
      async () => (await onScreen(teacher, { x: 100, y: 0 })).x - (await onScreen(teacher, { x: 0, y: 0 })).x,
    )
    .toBeGreaterThan(90)
  await kept(teacher)
  expect(await places()).toEqual([moved])
})

test('pages are added, moved, duplicated, turned and taken away, several at once, and undone', async ({
  somebody,
}) => {
  const teacher = await somebody()
  await prepareLesson(server, teacher, NAMES, pdf)
  await openPreparing(server, teacher)
  const pages = teacher.getByRole('list', { name: 'Pages' }).getByRole('button', { name: /^Page \d/ })
  const papers = async () => {
    await kept(teacher)
    const rows = await server.rows(
      `SELECT p.paper->>'kind' AS kind, p.paper->'ruling'->>'form' AS form, p.paper->>'number' AS number, p.width
       FROM worksheet_page p WHERE p.version_id = (SELECT v.id FROM worksheet_version v JOIN worksheet w ON w.id = v.worksheet_id
         ORDER BY w.changed_at DESC, v.number DESC LIMIT 1) ORDER BY p.position`,
    )
    return (rows as { form: string | null; number: string | null }[]).map(
      ({ form, number }) => form ?? number,
    )
  }
  await teacher.getByRole('button', { name: 'Add a page' }).click()
  await teacher.getByRole('button', { name: 'Squared 5 mm' }).click()
  await teacher.getByRole('button', { name: 'Add this page' }).click()
  await expect(pages).toHaveCount(3)
  expect(await papers()).toEqual(['1', 'squared', '2'])
  await teacher.getByLabel('Paper', { exact: true }).selectOption('Staves')
  await expect.poll(papers).toEqual(['1', 'staves', '2'])
  await teacher.getByTestId('preparing').focus()
  await teacher.keyboard.press('Control+z')
  await expect.poll(papers).toEqual(['1', 'squared', '2'])

  // By keys: the page one is on goes one to the right.
  await pages.nth(1).focus()
  await teacher.keyboard.press('Alt+ArrowRight')
  await expect.poll(papers).toEqual(['1', '2', 'squared'])
  // By dragging, with another one picked along.
  await pages.nth(0).click()
  await pages.nth(1).click({ modifiers: ['Control'] })
  const [a, b] = [(await pages.nth(0).boundingBox())!, (await pages.nth(2).boundingBox())!]
  await teacher.mouse.move(a.x + 20, a.y + 30)
  await teacher.mouse.down()
  await teacher.mouse.move(a.x + 60, a.y + 30, { steps: 3 })
  await teacher.mouse.move(b.x + 40, b.y + 30, { steps: 6 })
  await teacher.mouse.up()
  await expect.poll(papers).toEqual(['squared', '1', '2'])
  await teacher.getByRole('button', { name: 'Duplicate the pages' }).click()
  await expect.poll(papers).toEqual(['squared', '1', '2', '1', '2'])
  await teacher.getByRole('button', { name: 'Remove the pages' }).click()
  await expect.poll(papers).toEqual(['squared', '1', '2'])
  for (let step = 0; step < 2; step++) await teacher.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(papers).toEqual(['squared', '1', '2'])

  // Another size asks what becomes of things.
  await pages.nth(0).click()
  await teacher.getByRole('button', { name: '210 × 297 mm' }).click()
  await teacher.getByLabel('Size', { exact: true }).selectOption('A3')
  await teacher.getByRole('button', { name: 'Things keep their size' }).click()
  await expect(teacher.getByRole('button', { name: '297 × 420 mm' })).toBeVisible()
  await teacher.getByRole('button', { name: 'Rotate the page' }).first().click()
  await expect(teacher.getByRole('button', { name: '420 × 297 mm' })).toBeVisible()
  expect(await papers()).toEqual(['squared', '1', '2'])
})

test('part of a page is cut out and put on another, still vectors', async ({ somebody }) => {
  const teacher = await somebody()
  await prepareLesson(server, teacher, NAMES, pdf)
  await openPreparing(server, teacher)
  await kind(teacher, 'Part of a page').click()
  const cutting = teacher.getByTestId('cutting')
  const box = (await cutting.boundingBox())!
  await teacher.mouse.move(box.x + box.width / 2 - 100, box.y + 60)
  await teacher.mouse.down()
  await teacher.mouse.move(box.x + box.width / 2 + 100, box.y + 160, { steps: 4 })
  await teacher.mouse.up()
  await teacher.getByRole('button', { name: 'Add it to the page' }).click()
  await expect(teacher.getByRole('heading', { name: 'Part of a page' })).toBeVisible()
  await kept(teacher)
  const [piece] = await printed(server)
  expect(piece).toMatchObject({ kind: 'piece', paper: { kind: 'pdf', number: 1 } })
})
