import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { textOfPdf } from '@hand-back/server/test/textOfPdf.ts'
import type { Page } from '@playwright/test'
import sharp from 'sharp'
import { openCopy, prepareLesson } from './fixtures/lesson.ts'
import { handOutTo, kept, kind, openPreparing, printed, put, seeAll } from './fixtures/preparing.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, drawWithMouse, drawWithPen, expectInk, expectKept, onScreen } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])

const NAMES = ['Teodor Iqbal', 'Rafi Kowal'] as const

test('a worksheet with every kind of thing is built by mouse, handed out, answered, and cannot be damaged', async ({
  somebody,
}) => {
  test.setTimeout(240_000)
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES, pdf)
  await openPreparing(server, teacher)

  await put(teacher, 'Text', 60, 110, 200, 20)
  await teacher.keyboard.type('The ebb')
  await put(teacher, 'Direction', 60, 140, 200, 24)
  await teacher.keyboard.type('Look at the table first.')
  await put(teacher, 'Formula', 60, 180, 60, 24)
  // As soon as it is there it takes the focus from an empty field.
  await teacher.locator('math-field').waitFor()
  await teacher.getByLabel('The same in LaTeX').fill('\\frac{1}{2}')
  await expect
    .poll(async () => (await printed(server)).find((item) => item.kind === 'formula')?.latex)
    .toBe('\\frac{1}{2}')
  await put(teacher, 'Link', 60, 220, 90, 20)
  await teacher.getByLabel('Leads to').selectOption('page 2')
  await put(teacher, 'Typed box', 300, 110, 160, 24)
  await teacher.keyboard.type('in cm')
  await teacher.getByLabel('Right answers').fill('450')
  await teacher.getByRole('button', { name: 'What is right' }).click()
  await expect(teacher.locator('[data-right="450"]')).toBeVisible()
  await put(teacher, 'Choice', 300, 150, 160, 50)
  await teacher.getByLabel('Asks').fill('Which first?')
  await teacher.getByLabel('Option 1', { exact: true }).fill('ebb')
  await put(teacher, 'Drop place', 300, 230, 160, 50)
  await teacher.getByLabel('Label').fill('lives in the pool')
  await put(teacher, 'Voice place', 60, 300, 160, 60)
  await put(teacher, 'Photo place', 300, 300, 160, 120)
  await put(teacher, 'Card', 60, 400, 80, 26)
  await teacher.getByLabel('Words').fill('goby')
  await put(teacher, 'Stack that never runs out', 160, 400, 50, 26)
  await put(teacher, 'Line or arrow', 60, 450, 100, 30)
  await put(teacher, 'Shape', 180, 450, 60, 40)
  await put(teacher, 'Axes and curves', 60, 520, 200, 150)
  await teacher.getByLabel('Curve 1, y =').fill('a x')
  await expect(teacher.getByText('no parameter has that name')).toBeVisible()
  await teacher.getByRole('button', { name: 'Add a slider' }).click()
  await expect(teacher.getByText('no parameter has that name')).toHaveCount(0)
  await teacher.getByLabel('Students slide it').check()
  await teacher.getByLabel('Pictures for the page').setInputFiles({
    name: 'bay.png',
    mimeType: 'image/png',
    buffer: await sharp({ create: { width: 90, height: 60, channels: 3, background: '#1b6e68' } })
      .png()
      .toBuffer(),
  })
  await teacher.getByLabel('In words, for those').fill('the bay')
  await kind(teacher, 'My ink').click()
  await drawWithPen(teacher, along({ x: 480, y: 120 }, { x: 540, y: 180 }))
  await teacher.getByRole('button', { name: 'Done writing' }).click()
  await put(teacher, 'Question area', 40, 100, 500, 300)
  await teacher.getByLabel('Full marks').fill('3')

  // Which card fits is noted at the place.
  const drop = await onScreen(teacher, { x: 380, y: 265 })
  await teacher.mouse.click(drop.x, drop.y)
  await teacher.getByLabel('goby').check()
  await kept(teacher)
  expect((await printed(server)).map((item) => item.kind).sort()).toEqual([
    'card',
    'card',
    'choice',
    'direction',
    'drop',
    'formula',
    'ink',
    'link',
    'photo',
    'picture',
    'plot',
    'shape',
    'shape',
    'speak',
    'text',
    'typed',
  ])

  await handOutTo(teacher, lesson)
  const [row] = await server.rows(
    `SELECT m.copy_id AS id, m.handout_id FROM copy_member m JOIN handout h ON h.id = m.handout_id
     WHERE m.student_id = $1 ORDER BY h.handed_out_at DESC LIMIT 1`,
    [lesson.students[0]!.id],
  )
  const { id: copy, handout_id: handout } = row as { id: string; handout_id: string }
  const student = await somebody({ permissions: ['microphone'] })
  await openCopy(server, student, { ...lesson, students: [{ ...lesson.students[0]!, copy }] }, 0)
  await seeAll(student)
  await answerAll(student)
  await expectNothingDamaged(student)

  // The teacher sees every answer where it was given, and so does the PDF.
  await teacher.goto(`${server.url}/handout/${handout}/pile/${copy}`)
  await expect(teacher.getByRole('button', { name: /Play voice note/ })).toBeVisible()
  await expect.poll(() => darkness(teacher, { x: 330, y: 123 }, 60, 16)).toBeGreaterThan(5)
  const answer = await teacher.request.get(`${server.url}/api/copies/${copy}/pdf`)
  const text = textOfPdf(await answer.body())
  for (const words of ['The ebb', 'Look at the table first.', 'in cm', '4.5 m', 'goby', 'Which first?'])
    expect(text).toContain(words)
})

/** Gives every answer that the page asks for, and waits until all are kept. */
async function answerAll(student: Page): Promise<void> {
  await student.getByLabel('in cm').fill('4.5 m')
  await student.getByLabel('ebb', { exact: true }).check()
  await drag(student, student.getByRole('button', { name: 'Card: goby' }), { x: 380, y: 258 })
  await expect(student.getByRole('button', { name: 'goby, in lives in the pool' })).toBeVisible()
  for (const y of [700, 730])
    await drag(student, student.getByRole('button', { name: 'Stack: •' }), { x: 300, y })
  await expect(student.getByRole('button', { name: 'Card: •' })).toHaveCount(2)
  await student.getByRole('button', { name: 'Speak here', exact: true }).click()
  await student
    .getByRole('button', { name: /^Stop 0:0[2-9]/ })
    .first()
    .click()
  await student.getByRole('button', { name: 'Keep' }).click()
  await expect(student.getByRole('button', { name: /Play voice note/ })).toBeVisible()
  await student.getByLabel('Photo: a file').setInputFiles({
    name: 'knot.jpg',
    mimeType: 'image/jpeg',
    buffer: await sharp({ create: { width: 3000, height: 1500, channels: 3, background: '#a83a2e' } })
      .jpeg()
      .toBuffer(),
  })
  await expect(student.getByRole('button', { name: 'Another photo' })).toBeVisible()
  await student.getByRole('slider').fill('3')
  await expectKept(student)
}

/** Drags something so that its middle lies at a place of the page. */
async function drag(
  page: Page,
  what: ReturnType<Page['getByRole']>,
  to: { x: number; y: number },
): Promise<void> {
  const box = (await what.boundingBox())!
  const place = await onScreen(page, to)
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(place.x, place.y, { steps: 4 })
  await page.mouse.up()
}

/** Whatever a student does over printed things, they stay; ink over them is only ink, and undo takes it back. */
async function expectNothingDamaged(student: Page): Promise<void> {
  const before = await darkness(student, { x: 60, y: 105 }, 200, 200)
  await drawWithMouse(student, along({ x: 70, y: 120 }, { x: 240, y: 200 }))
  await student.keyboard.press('Delete')
  await expectKept(student)
  expect(await darkness(student, { x: 60, y: 105 }, 200, 200)).toBe(before)
  await student.getByRole('button', { name: 'Undo' }).click()
  await expectKept(student)
  await student.reload()
  await student.locator('main[aria-busy=false]').waitFor()
  await seeAll(student)
  await expect(student.getByLabel('in cm')).toHaveValue('4.5 m')
  await expect(student.getByLabel('ebb', { exact: true })).toBeChecked()
  await expect(student.getByRole('button', { name: 'goby, in lives in the pool' })).toBeVisible()
  await expect.poll(() => darkness(student, { x: 60, y: 105 }, 200, 200)).toBe(before)
}

/** How many pixels of the printed layer in a box of the page are not white. */
async function darkness(
  page: Page,
  at: { x: number; y: number },
  width: number,
  height: number,
): Promise<number> {
  const from = await onScreen(page, at)
  const to = await onScreen(page, { x: at.x + width, y: at.y + height })
  return page.locator('canvas[data-layer=paper]').evaluate(
    (canvas, { x0, y0, x1, y1 }) => {
      const box = canvas.getBoundingClientRect()
      const paper = canvas as HTMLCanvasElement
      const { data } = paper
        .getContext('2d')!
        .getImageData(x0 - box.left, y0 - box.top, Math.max(1, x1 - x0), Math.max(1, y1 - y0))
      let dark = 0
      for (let index = 0; index < data.length; index += 4) if (data[index]! + data[index + 1]! < 400) dark++
      return dark
    },
    { x0: from.x, y0: from.y, x1: to.x, y1: to.y },
  )
}

test('as a student: everything works and leaves no trace', async ({ somebody }) => {
  const teacher = await somebody()
  await prepareLesson(server, teacher, NAMES, pdf)
  await openPreparing(server, teacher)
  await put(teacher, 'Typed box', 300, 110, 160, 24)
  await teacher.keyboard.type('in cm')
  const before = await traces()
  await teacher.getByRole('button', { name: 'As a student' }).click()
  await teacher.getByLabel('in cm').fill('450')
  await drawWithMouse(teacher, along({ x: 100, y: 300 }, { x: 250, y: 330 }))
  await expectInk(teacher, { x: 175, y: 315 })
  await teacher.getByRole('button', { name: 'Undo' }).click()
  await teacher.getByRole('button', { name: 'Undo' }).click()
  await expect(teacher.getByLabel('in cm')).toHaveValue('')
  await teacher.getByRole('link', { name: 'Back to preparing' }).click()
  await expect(teacher.getByTestId('preparing')).toBeVisible()
  expect(await traces()).toEqual(before)
})

async function traces(): Promise<number[]> {
  const counts = ['event', 'copy', 'attachment', 'handout'].map((table) =>
    server.rows(`SELECT 1 FROM ${table}`),
  )
  return (await Promise.all(counts)).map((rows) => rows.length)
}

test('answers given without a network arrive when it is back; two devices show the same', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES, pdf)
  await openPreparing(server, teacher)
  await put(teacher, 'Typed box', 300, 110, 160, 24)
  await teacher.keyboard.type('in cm')
  await put(teacher, 'Card', 60, 400, 80, 26)
  await kept(teacher)
  await handOutTo(teacher, lesson)
  const [row] = await server.rows(
    'SELECT m.copy_id AS id FROM copy_member m JOIN handout h ON h.id = m.handout_id WHERE m.student_id = $1 ORDER BY h.handed_out_at DESC LIMIT 1',
    [lesson.students[0]!.id],
  )
  const own = { ...lesson, students: [{ ...lesson.students[0]!, copy: (row as { id: string }).id }] }
  const first = await somebody()
  const second = await somebody()
  await openCopy(server, first, own, 0)
  await openCopy(server, second, own, 0)
  await first.context().setOffline(true)
  await first.getByLabel('in cm').fill('450')
  const card = first.getByRole('button', { name: 'Card: Card' })
  await card.focus()
  await first.keyboard.press('ArrowRight')
  const there = (await card.boundingBox())!
  await expect(second.getByLabel('in cm')).toHaveValue('')
  await first.context().setOffline(false)
  await expectKept(first)
  await expect(second.getByLabel('in cm')).toHaveValue('450')
  await expect
    .poll(async () => Math.round((await second.getByRole('button', { name: 'Card: Card' }).boundingBox())!.x))
    .toBe(Math.round(there.x))
})
