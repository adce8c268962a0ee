import { readFile } from 'node:fs/promises'
import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import sharp from 'sharp'
import { atWork } from './fixtures/atWork.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithPen, expectInk, expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}])

/** What is saved by a press, and what it is called. */
async function saved(page: Page, name: string): Promise<{ name: string; bytes: Buffer }> {
  const coming = page.waitForEvent('download')
  await page.getByRole('dialog').getByText(name, { exact: true }).click()
  const file = await coming
  return { name: file.suggestedFilename(), bytes: await readFile(await file.path()) }
}

/** How dark a picture is at a part of its width and height. */
async function darkAt(picture: Buffer, across: number, down: number): Promise<number> {
  const { data, info } = await sharp(picture).greyscale().raw().toBuffer({ resolveWithObject: true })
  const [x, y] = [Math.round(info.width * across), Math.round(info.height * down)]
  let darkest = 255
  for (let dy = -4; dy <= 4; dy++)
    for (let dx = -4; dx <= 4; dx++)
      darkest = Math.min(darkest, data[((y + dy) * info.width + x + dx) * info.channels]!)
  return 255 - darkest
}

test('a page is saved as PNG, SVG and InkML; its ink is put on the page again from the file', async ({
  somebody,
}) => {
  const { student } = await atWork(server, somebody, pdf)
  await drawWithPen(student, along({ x: 100, y: 200 }, { x: 300, y: 200 }))
  await expectKept(student)
  await button(student, 'View').click()
  await button(student, 'Save').click()
  for (const [what, ending] of [
    ['A picture of this page', 'png'],
    ['A drawing of this page', 'svg'],
  ] as const) {
    const { name, bytes } = await saved(student, what)
    expect(name).toMatch(new RegExp(` 1\\.${ending}$`))
    const { width = 1, height = 1 } = await sharp(bytes).metadata()
    expect(height / width).toBeCloseTo(842 / 595, 2)
    expect(await darkAt(bytes, 200 / 595, 200 / 842)).toBeGreaterThan(120)
    expect(await darkAt(bytes, 200 / 595, 300 / 842)).toBeLessThan(30)
  }
  const { name, bytes } = await saved(student, 'The ink of this page')
  expect(name).toMatch(/ 1\.inkml$/)
  expect(bytes.toString()).toContain('<trace brushRef="#brush1">')

  const file = student.getByLabel('Ink from a file')
  await file.setInputFiles({ name: 'no.inkml', mimeType: 'text/xml', buffer: Buffer.from('<svg/>') })
  await expect(student.getByText('This is not an ink file (InkML).')).toBeVisible()
  const moved = bytes.toString().replaceAll(' 200 ', ' 320 ')
  await file.setInputFiles({ name: 'ink.inkml', mimeType: 'text/xml', buffer: Buffer.from(moved) })
  await expect(student.getByRole('dialog')).toHaveCount(0)
  await expectInk(student, { x: 200, y: 320 })
  await expectInk(student, { x: 200, y: 200 })
  await button(student, 'Undo').click()
  await expectInk(student, { x: 200, y: 320 }, false)
})
