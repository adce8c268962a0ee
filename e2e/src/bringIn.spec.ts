import { makePdf } from '@hand-back/server/test/makePdf.ts'
import sharp from 'sharp'
import { prepareLesson } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'

const server = testServer()

test('bad files get one sentence each and leave nothing; good ones become pages, also when dropped', async ({
  somebody,
}) => {
  const teacher = await somebody()
  await prepareLesson(server, teacher, ['Noor Farrant'], await makePdf())
  await teacher.goto(`${server.url}/shelf`)
  const choose = (name: string, buffer: Buffer) =>
    teacher.getByTestId('bring-in').setInputFiles({ name, mimeType: 'application/octet-stream', buffer })
  await expect(teacher.getByRole('link', { name: /^First page of Reading/ })).toBeVisible()
  for (const [name, bytes, sentence] of [
    ['short.pdf', Buffer.from((await makePdf()).slice(0, 600)), 'not complete'],
    ['letter.pdf', Buffer.from('Dear harbour master'), 'something else'],
    ['empty.pdf', Buffer.alloc(0), 'empty'],
  ] as const) {
    await choose(name, bytes)
    await expect(teacher.getByText(sentence)).toBeVisible()
  }
  expect(await server.rows('SELECT 1 FROM worksheet')).toHaveLength(1)

  // A locked one asks for its password.
  await choose('Locked tide.pdf', Buffer.from(await makePdf([{}, {}], 'harbour')))
  await teacher.getByRole('textbox', { name: 'Its password' }).fill('wrong')
  await teacher.getByRole('button', { name: 'Open it' }).click()
  await expect(teacher.getByText('not the password of “Locked tide”')).toBeVisible()
  await teacher.getByRole('textbox', { name: 'Its password' }).fill('harbour')
  await teacher.getByRole('button', { name: 'Open it' }).click()
  await expect(teacher.getByLabel('Title of the worksheet')).toHaveValue('Locked tide')
  await teacher.goto(`${server.url}/shelf`)

  const photo = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#1b6e68' } })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer()
  await choose('Shore crab.jpg', photo)
  await expect(teacher.getByLabel('Title of the worksheet')).toHaveValue('Shore crab')
  // Turned upright as the camera meant it.
  await expect(teacher.getByText('198 × 297 mm')).toBeVisible()
  const thumb = teacher.getByRole('button', { name: 'Page 1', exact: true }).locator('canvas')
  await expect
    .poll(() =>
      thumb.evaluate((canvas) => {
        const { width, height } = canvas as HTMLCanvasElement
        return [
          ...(canvas as HTMLCanvasElement).getContext('2d')!.getImageData(width / 2, height / 2, 1, 1).data,
        ]
          .slice(0, 3)
          .map((value) => Math.round(value / 8))
      }),
    )
    .toEqual([0x1b, 0x6e, 0x68].map((value) => Math.round(value / 8)))

  // Dropped anywhere on the desk.
  await teacher.goto(server.url)
  await expect(teacher.getByRole('heading', { name: /wait/ })).toBeVisible()
  const pdf = Buffer.from(await makePdf([{}, {}, {}])).toString('base64')
  const dropped = await teacher.evaluateHandle((base64) => {
    const transfer = new DataTransfer()
    transfer.items.add(
      new File([Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0))], 'Ebb and flow.pdf'),
    )
    return transfer
  }, pdf)
  await teacher.getByRole('main').dispatchEvent('drop', { dataTransfer: dropped })
  await expect(teacher.getByLabel('Title of the worksheet')).toHaveValue('Ebb and flow')
  const pages = teacher.getByRole('list', { name: 'Pages' }).getByRole('button', { name: /^Page \d/ })
  await expect(pages).toHaveCount(3)

  await teacher.getByRole('link', { name: 'Shelf' }).click()
  await teacher.getByRole('button', { name: 'More with Ebb and flow' }).click()
  await teacher.getByRole('menuitem', { name: 'Put away' }).click()
  await expect(teacher.getByRole('link', { name: /^First page of Ebb/ })).toHaveCount(0)
  await teacher.getByRole('button', { name: 'Undo' }).click()
  await expect(teacher.getByRole('link', { name: /^First page of Ebb/ })).toBeVisible()
})
