import { PDFDocument, StandardFonts } from '@cantoo/pdf-lib'
import { photographed } from '@hand-back/core/test/photographed.ts'
import { Picture } from '@hand-back/core/test/pictureOf.ts'
import { seeded } from '@hand-back/core/test/seeded.ts'
import { drawPages } from '@hand-back/server/test/drawnPages.ts'
import type { Page } from '@playwright/test'
import sharp from 'sharp'
import { type Lesson, openCopy, prepareLesson } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { button, expectKept } from './hands/hands.ts'
import { expectPaper } from './hands/paperColour.ts'

const server = testServer()
const BLUE: [number, number, number] = [30, 60, 180]

/** A worksheet of two pages with lines to read, other ones on each. */
async function twoPages(): Promise<Uint8Array> {
  const pdf = await PDFDocument.create()
  const font = await pdf.embedFont(StandardFonts.Helvetica)
  for (const words of ['The ferry to Saltmarsh sails', 'High water in the harbour is']) {
    const page = pdf.addPage([595, 842])
    for (let line = 0; line < 12; line++)
      page.drawText(`${line + 1}  ${words} ${(line * 37) % 60} minutes after ${line + 5}`, {
        ...{ x: 60 + (line % 3) * 20, y: 760 - line * 58, size: 15, font },
      })
  }
  return pdf.save()
}
const pdf = await twoPages()

/** The sheets of a hand-out as a printer prints them, by copy and page, in the order of the copies. */
async function printedSheets(teacher: Page, { handout }: Lesson): Promise<Picture[]> {
  const answer = await teacher.request.get(
    `${server.url}/api/handouts/${handout}/pdf?empty=yes&coded=yes&named=yes`,
  )
  return Promise.all(
    drawPages(await answer.body(), 1754).map(async (bytes) => {
      const { data, info } = await sharp(bytes).ensureAlpha().raw().toBuffer({ resolveWithObject: true })
      const picture = new Picture(info.width, info.height)
      picture.data.set(data)
      return picture
    }),
  )
}

/** Filled in with a blue pen: a thick bar across it, so many points down. */
const filledIn = (sheet: Picture, down: number): Picture => {
  const scale = sheet.height / 842
  return sheet.line(
    [
      [120 * scale, down * scale],
      [420 * scale, down * scale],
    ],
    24 * scale,
    BLUE,
  )
}

const asJpeg = ({ data, width, height }: { data: Uint8ClampedArray; width: number; height: number }) =>
  sharp(Buffer.from(data), { raw: { width, height, channels: 4 } })
    .removeAlpha()
    .jpeg({ quality: 90 })
    .toBuffer()

/** A photo of a sheet, askew and dim; upside down where that is wanted. */
function photoOf(sheet: Picture, upsideDown = false): Promise<Buffer> {
  const corners = [
    { x: 180, y: 230 },
    { x: 1290, y: 150 },
    { x: 1370, y: 1790 },
    { x: 130, y: 1850 },
  ] as const
  const [a, b, c, d] = corners
  return asJpeg(
    photographed(sheet, {
      ...{ width: 1500, height: 2000, table: [90, 80, 70], light: [0.5, 0.85], noise: 5, chance: seeded(6) },
      corners: upsideDown ? [c, d, a, b] : [a, b, c, d],
    }),
  )
}

async function scanOf(sheets: readonly Picture[]): Promise<Buffer> {
  const scan = await PDFDocument.create()
  for (const sheet of sheets) {
    const picture = await scan.embedJpg(await asJpeg(sheet))
    scan.addPage([595, 842]).drawImage(picture, { x: 0, y: 0, width: 595, height: 842 })
  }
  return Buffer.from(await scan.save())
}

const jpeg = (name: string, buffer: Buffer) => ({ name, mimeType: 'image/jpeg', buffer })

test('a scan and photos of a whole class find their copies; a person says where the rest belongs; nothing goes astray', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const names = ['Noor Farrant', 'Emre Okafor', 'Lotte Lindqvist']
  const lesson = await prepareLesson(server, teacher, names, pdf)
  const other = await prepareLesson(server, teacher, ['Rafi Kowal'], pdf)
  const sheets = await printedSheets(teacher, lesson)
  const order = (await (await teacher.request.get(`${server.url}/api/handouts/${lesson.handout}`)).json())
    .copies as { id: string; name: string }[]
  const sheetOf = (name: string, page: number) =>
    sheets[order.findIndex((copy) => copy.name === name) * 2 + page - 1]!
  const [strange] = await printedSheets(teacher, other)

  await teacher.goto(`${server.url}/handout/${lesson.handout}`)
  await button(teacher, 'From paper').click()
  await expect(teacher.getByRole('heading', { name: 'Drop the sheets here' })).toBeVisible()
  await teacher.getByLabel('Sheets of paper').setInputFiles([
    {
      ...{ name: 'scan.pdf', mimeType: 'application/pdf' },
      buffer: await scanOf([
        filledIn(sheetOf('Noor Farrant', 1), 300),
        filledIn(sheetOf('Noor Farrant', 2), 420),
      ]),
    },
    jpeg('emre.jpg', await photoOf(filledIn(sheetOf('Emre Okafor', 2), 500), true)),
    jpeg('strange.jpg', await photoOf(strange!)),
    jpeg('no code.jpg', await photoOf(new Picture(1240, 1754))),
    { name: 'words.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') },
  ])
  await expect(teacher.getByRole('heading', { name: '3 sheets know where they belong' })).toBeVisible({
    timeout: 90_000,
  })
  await expect(teacher.getByText('It was printed for something else.')).toBeVisible()
  await expect(
    teacher.getByText('This cannot be read. Choose a picture, or a PDF that is not locked.'),
  ).toBeVisible()
  const laid = teacher.getByRole('button', { name: /^Change where this belongs/ })
  await expect(laid).toHaveCount(5)

  // The sheet without a code is Lotte's, says the teacher; the other two are left out.
  await teacher
    .getByRole('listitem')
    .filter({ hasText: 'No code can be read on it.' })
    .getByRole('button', { name: 'Say whose' })
    .click()
  await teacher.getByLabel('Copy of').selectOption('Lotte Lindqvist')
  await teacher.getByLabel('Page', { exact: true }).selectOption('Page 1')
  await button(teacher, 'It belongs there').click()
  await expect(teacher.getByRole('heading', { name: '4 sheets know where they belong' })).toBeVisible()
  await button(teacher, 'Leave out').first().click()
  await button(teacher, 'Leave out').first().click()
  await button(teacher, 'Lay 4 sheets in 3 copies').click()
  await expect(teacher.getByRole('heading', { name: 'Reading a tide table' })).toBeVisible({
    timeout: 60_000,
  })
  await expect(teacher.locator('[data-state="handed in"]')).toHaveCount(3)
  const rows = await server.rows(
    `SELECT copy_id AS copy, body->>'page' AS page FROM event WHERE body->'items' @> '[{"kind": "scan"}]'`,
  )
  expect(rows.map((row) => (row as { copy: string }).copy).sort()).toEqual(
    ['Noor Farrant', 'Noor Farrant', 'Emre Okafor', 'Lotte Lindqvist']
      .map((name) => order.find((copy) => copy.name === name)!.id)
      .sort(),
  )

  // In marking and at the student's it lies where it was written, and can be seen as it came.
  await teacher.goto(
    `${server.url}/handout/${lesson.handout}/pile/${order.find(({ name }) => name === 'Noor Farrant')!.id}`,
  )
  await expectPaper(teacher, { x: 270, y: 300 }, 'blue')
  await expectPaper(teacher, { x: 270, y: 240 }, 'white')
  const student = await somebody()
  await openCopy(server, student, lesson, 0)
  await expectPaper(student, { x: 270, y: 300 }, 'blue')
  await student.getByRole('button', { name: /^On paper/ }).click()
  await expect(student.getByAltText('The sheet as it came')).toBeVisible()
  await expect(button(student, 'Take the sheet away')).toHaveCount(0)
  await button(student, 'Close').click()

  // Laid in the wrong place, it is taken away again; and that can be undone.
  await teacher.getByRole('button', { name: /^On paper/ }).click()
  await button(teacher, 'Take the sheet away').click()
  await expectPaper(student, { x: 270, y: 300 }, 'white')
  await button(teacher, 'Undo').click()
  await expectPaper(student, { x: 270, y: 300 }, 'blue')
})

test('a student sends many sheets at once: each lies on its page, and no tool takes it away', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, ['Noor Farrant', 'Emre Okafor'], pdf)
  const sheets = await printedSheets(teacher, lesson)
  const student = await somebody()
  const order = (await (await teacher.request.get(`${server.url}/api/handouts/${lesson.handout}`)).json())
    .copies as { id: string; name: string }[]
  const from = order.findIndex(({ name }) => name === 'Noor Farrant') * 2
  const strange = from === 0 ? 2 : 0
  await openCopy(server, student, lesson, 0)
  await button(student, 'Add').click()
  await button(student, 'From paper').click()
  await student
    .getByLabel('A picture of your paper')
    .setInputFiles([
      jpeg('2.jpg', await photoOf(filledIn(sheets[from + 1]!, 420))),
      jpeg('1.jpg', await photoOf(filledIn(sheets[from]!, 300))),
      jpeg('of another.jpg', await photoOf(sheets[strange]!)),
    ])
  await expect(button(student, 'Lay 2 sheets on their pages')).toBeEnabled({ timeout: 60_000 })
  await expect(student.getByText('It was printed for something else.')).toBeVisible()
  await button(student, 'Leave out').click()
  await button(student, 'Lay 2 sheets on their pages').click()
  await expect(student.getByRole('dialog')).toHaveCount(0)
  await expectPaper(student, { x: 270, y: 300 }, 'blue')
  await expectKept(student)

  // All is chosen, and rubbed out: the sheet is not part of it.
  await student.keyboard.press('Control+a')
  await student.keyboard.press('Delete')
  await expectPaper(student, { x: 270, y: 300 }, 'blue')
  await student.getByRole('button', { name: /^On paper/ }).click()
  await button(student, 'Take the sheet away').click()
  await expectPaper(student, { x: 270, y: 300 }, 'white')
})
