import { paintCode } from '@hand-back/core/test/paintedCode.ts'
import { photographed } from '@hand-back/core/test/photographed.ts'
import { Picture } from '@hand-back/core/test/pictureOf.ts'
import { seeded } from '@hand-back/core/test/seeded.ts'
import { makePdf } from '@hand-back/server/test/makePdf.ts'
import sharp from 'sharp'
import { atWork, TABLET } from './fixtures/atWork.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { button, expectKept } from './hands/hands.ts'
import { expectPaper } from './hands/paperColour.ts'

const server = testServer()
const pdf = await makePdf([{}])

/** A photo of a sheet with one thick blue bar in its middle, seen askew on a brown table, dark at the left. */
async function photoOfPaper(): Promise<Buffer> {
  const sheet = new Picture(298, 421).line(
    [
      [60, 210],
      [240, 210],
    ],
    60,
    [30, 60, 180],
  )
  const photo = photographed(sheet, {
    ...{ width: 600, height: 800, table: [120, 84, 52], light: [0.5, 0.9], noise: 6, chance: seeded(2) },
    // As a camera sees A4 that leans away from it.
    corners: [
      { x: 131, y: 159 },
      { x: 470, y: 188 },
      { x: 503, y: 690 },
      { x: 74, y: 681 },
    ],
  })
  const raw = { width: photo.width, height: photo.height, channels: 4 as const }
  return sharp(Buffer.from(photo.data), { raw }).removeAlpha().jpeg({ quality: 92 }).toBuffer()
}

/** A photo of a printed sheet with its code, filled in by a thick blue line, lying on its head. */
async function photoOfSheet(code: { copy: string; page: string }): Promise<Buffer> {
  const sheet = new Picture(1240, 1754).line(
    [
      [300, 877],
      [940, 877],
    ],
    120,
    [30, 60, 180],
  )
  paintCode(sheet, code, 1240 / 595)
  const photo = photographed(sheet, {
    ...{ width: 1500, height: 2000, table: [90, 80, 70], light: [0.6, 0.9], noise: 5, chance: seeded(6) },
    corners: [
      { x: 1330, y: 1790 },
      { x: 180, y: 1820 },
      { x: 150, y: 190 },
      { x: 1300, y: 230 },
    ],
  })
  const raw = { width: photo.width, height: photo.height, channels: 4 as const }
  return sharp(Buffer.from(photo.data), { raw }).removeAlpha().jpeg({ quality: 90 }).toBuffer()
}

test('paper that was photographed askew lies straight and white on the page or on a new one, and can be seen as it was taken', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, pdf, TABLET)
  const pictures = async () => {
    const rows = await server.rows(
      `SELECT coalesce(body->'items'->0, body->'set'->'thing') AS thing FROM event
       WHERE 'picture' IN (body->'items'->0->>'kind', body->'set'->'thing'->>'kind') ORDER BY seq`,
    )
    return (rows as { thing: { width: number; height: number; behind?: { straight: boolean } } }[]).map(
      ({ thing }) => thing,
    )
  }
  const choose = async () => {
    await button(student, 'Add').tap()
    await button(student, 'From paper').tap()
    await student.getByLabel('A picture of your paper').setInputFiles({
      ...{ name: 'paper.jpg', mimeType: 'image/jpeg', buffer: await photoOfPaper() },
    })
    await expect(student.getByText('Is this your paper?')).toBeVisible()
    await expect(student.getByAltText('Your paper, straight')).toBeVisible()
  }
  await choose()
  await button(student, 'As a new page').tap()
  await expect(student.getByRole('dialog')).toHaveCount(0)
  // The page is as large as that which was handed out; the sheet fills it.
  await expectPaper(student, { x: 297, y: 421 }, 'blue')
  await expectPaper(student, { x: 297, y: 253 }, 'white')
  await expectKept(student)
  const [laid] = await pictures()
  expect(laid!.behind).toMatchObject({ straight: false })
  expect(laid!.height / laid!.width).toBeCloseTo(Math.SQRT2, 1)
  await expect.poll(() => server.rows('SELECT 1 FROM attachment')).toHaveLength(2)

  await choose()
  // A corner put elsewhere by keys, and what is no picture.
  await student.getByRole('button', { name: 'Upper left corner' }).press('Shift+ArrowRight')
  await button(student, 'Lay on this page').tap()
  await button(student, 'As taken').tap()
  await expect(button(student, 'Straight')).toBeVisible()
  await expectKept(student)
  const [, second, turned] = await pictures()
  expect(second!.behind).toMatchObject({ straight: false })
  expect(turned!.behind).toMatchObject({ straight: true })
  expect(turned!.width / turned!.height).toBeCloseTo(600 / 800, 2)

  await button(student, 'Done').tap()
  await button(student, 'Add').tap()
  await button(student, 'From paper').tap()
  await student.getByLabel('A picture of your paper').setInputFiles({
    ...{ name: 'words.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') },
  })
  await expect(student.getByRole('alert')).toHaveText(
    'This is not a picture that can be shown. Choose another.',
  )
})

test('a printed sheet says whose page it is: a photo of it lies on that page, however it was held, and not in another copy', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, await makePdf([{}, {}]), TABLET)
  const [, copy] = /copy\/([0-9a-f-]{36})/.exec(student.url())!
  const answer = await student.request.get(`${server.url}/api/copies/${copy}`)
  const { pages } = (await answer.json()) as { pages: { id: string }[] }
  const code = { copy: copy!, page: pages[1]!.id }
  const choose = async (code: { copy: string; page: string }) => {
    await button(student, 'Add').tap()
    await button(student, 'From paper').tap()
    await student.getByLabel('A picture of your paper').setInputFiles({
      ...{ name: 'sheet.jpg', mimeType: 'image/jpeg', buffer: await photoOfSheet(code) },
    })
  }
  await choose({ ...code, copy: crypto.randomUUID() })
  await expect(student.getByRole('alert')).toHaveText(
    'This sheet was printed for another copy. Look whose it is.',
  )
  await expect(student.getByRole('button', { name: /^Lay it on/ })).toHaveCount(0)
  await button(student, 'Close').tap()

  await choose(code)
  await expect(student.getByText('This is page 2 of your copy.')).toBeVisible()
  await button(student, 'Lay it on page 2').tap()
  await expect(student.getByRole('dialog')).toHaveCount(0)
  await expect(student.getByText('page 2 of 2')).toBeVisible()
  await expectPaper(student, { x: 297, y: 421 }, 'blue')
  await expectPaper(student, { x: 297, y: 253 }, 'white')
  await expectKept(student)
})
