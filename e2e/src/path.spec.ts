import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import sharp from 'sharp'
import { handIn } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, drawWithFinger, drawWithMouse, drawWithPen, expectInk, expectKept } from './hands/hands.ts'

const server = testServer()

test('from a PDF to handed back and another go, a teacher and two students, through the screens alone', async ({
  somebody,
}) => {
  test.setTimeout(240_000)
  const teacher = await somebody({ acceptDownloads: true })
  await teacher.goto(server.url)
  await teacher.getByLabel('Setup code').fill('tide 2345')
  await teacher.getByLabel('Your name').fill('Marit Abara')
  await teacher.getByLabel('A password').fill('low tide at noon')
  await teacher.getByRole('button', { name: 'Begin' }).click()
  await expect(teacher.getByRole('heading', { name: 'Nothing is handed out yet' })).toBeVisible()

  const { code, pins } = await makeClass(teacher, ['Noor Farrant', 'Ilja Egorov', 'Wanda Petrov'])

  // A landscape page turned by its own rotation and cropped: the hardest to get right.
  const pdf = await makePdf([{}, { width: 842, height: 595, turn: 90, crop: [40, 30, 700, 500] }])
  await teacher.getByRole('link', { name: 'Shelf' }).click()
  await teacher.getByTestId('bring-in').setInputFiles({
    name: 'Reading a tide table.pdf',
    mimeType: 'application/pdf',
    buffer: Buffer.from(pdf),
  })
  await expect(teacher.getByLabel('Title of the worksheet')).toHaveValue('Reading a tide table')
  await expect(teacher.getByText('210 × 297 mm')).toBeVisible()
  // 500 × 700 pt as it is seen.
  await teacher.getByRole('button', { name: 'Page 2', exact: true }).click()
  await expect(teacher.getByText('176 × 247 mm')).toBeVisible()

  await teacher.getByRole('button', { name: 'Hand out' }).click()
  await teacher.getByRole('checkbox', { name: 'Wanda Petrov' }).uncheck()
  await expect(teacher.getByText('Left out: Wanda Petrov')).toBeVisible()
  await teacher.getByLabel('Directions').fill('Look at the table first.')
  await teacher.getByRole('button', { name: 'Hand out 2 copies' }).dblclick()
  await expect(teacher.getByRole('heading', { name: 'Reading a tide table' })).toBeVisible()
  await expect(teacher.locator('td [data-state]')).toHaveCount(2)
  expect(await server.rows('SELECT id FROM handout')).toHaveLength(1)

  const noor = await signInStudent(await somebody(), code, 'Noor Farrant', pins.get('Noor Farrant')!)
  const ilja = await signInStudent(
    await somebody({ viewport: { width: 820, height: 1180 }, hasTouch: true }),
    code,
    'Ilja Egorov',
    pins.get('Ilja Egorov')!,
  )
  await expect(teacher.locator('td [data-state="waiting"]')).toHaveCount(2)
  await noor.getByRole('link', { name: /Reading a tide table/ }).click()
  await expect(noor.getByText('Look at the table first.')).toBeVisible()
  await expect(teacher.locator('td [data-state="working"]')).toHaveCount(1)
  await ilja.getByRole('link', { name: /Reading a tide table/ }).click()

  // Noor writes with a pen on both pages, Ilja with a finger and a mouse.
  await drawWithPen(noor, along({ x: 100, y: 150 }, { x: 300, y: 150 }))
  await expectInk(noor, { x: 200, y: 150 })
  await noor.getByRole('button', { name: 'Page 2' }).click()
  await noor.getByRole('button', { name: /blue pen/ }).click()
  await drawWithPen(noor, along({ x: 60, y: 90 }, { x: 60, y: 200 }))
  await expectKept(noor)
  await drawWithFinger(ilja, along({ x: 120, y: 220 }, { x: 320, y: 260 }))
  await drawWithMouse(ilja, along({ x: 120, y: 320 }, { x: 320, y: 320 }))
  await expectInk(ilja, { x: 220, y: 240 })
  await expectKept(ilja)
  await noor.getByRole('button', { name: 'Hand in' }).click()
  await expect(noor.getByRole('button', { name: 'Take back' })).toBeVisible()
  await handIn(ilja)
  await expect(teacher.locator('td [data-state="handed in"]')).toHaveCount(2)

  // The pile: Noor's copy, both pages; the same page stays in sight for Ilja's.
  await teacher.getByRole('link', { name: 'Mark 2' }).click()
  const pile = teacher.getByRole('navigation', { name: 'Pile' })
  await pile.getByRole('button', { name: /Noor Farrant/ }).click()
  await expectInk(teacher, { x: 200, y: 150 })
  await teacher.getByRole('button', { name: 'Page 2, written on' }).click()
  await expectInk(teacher, { x: 60, y: 140 })
  await drawWithPen(teacher, along({ x: 200, y: 300 }, { x: 300, y: 300 }))
  await expectInk(teacher, { x: 250, y: 300 })
  await teacher.keyboard.press('+')
  const scale = await teacher.getByTestId('page').getAttribute('data-scale')
  await teacher.getByRole('button', { name: 'Next copy' }).click()
  await expect(teacher.getByRole('heading', { name: 'Ilja Egorov' })).toBeVisible()
  await expect(teacher.getByRole('button', { name: 'Page 2' })).toHaveAttribute('aria-current', 'page')
  expect(await teacher.getByTestId('page').getAttribute('data-scale')).toBe(scale)

  // Nothing of it reaches Noor before it is handed back.
  await expectInk(noor, { x: 60, y: 140 })
  await expectInk(noor, { x: 250, y: 300 }, false)
  await noor.reload()
  await noor.locator('main[aria-busy=false]').waitFor()
  await expectInk(noor, { x: 60, y: 140 })
  await expectInk(noor, { x: 250, y: 300 }, false)
  // Marking has begun: the copy cannot be taken back, and that is said.
  await noor.getByRole('button', { name: 'Take back' }).click()
  await expect(noor.getByText('begun to write')).toBeVisible()

  await pile.getByRole('button', { name: /Noor Farrant/ }).click()
  await teacher.getByRole('button', { name: 'Hand back', exact: true }).click()
  await expect(noor.getByText('has handed this back')).toBeVisible()
  await expectInk(noor, { x: 250, y: 300 })

  // Another go: the earlier feedback stays, the student writes on, and cannot rub it out.
  await teacher.getByRole('button', { name: 'Another go …' }).click()
  await teacher.getByRole('button', { name: 'Hand back now' }).click()
  await expect(noor.getByText('asks for another go')).toBeVisible()
  await expectInk(noor, { x: 250, y: 300 })
  await noor.getByRole('button', { name: 'Rub out' }).click()
  await drawWithPen(noor, along({ x: 250, y: 280 }, { x: 250, y: 320 }))
  await expectInk(noor, { x: 250, y: 300 })
  await noor.getByRole('button', { name: /blue pen/ }).click()
  await drawWithPen(noor, along({ x: 100, y: 420 }, { x: 260, y: 420 }))
  await expectKept(noor)
  await noor.getByRole('button', { name: 'Hand in' }).click()
  await expect(teacher.getByText('round 2')).toBeVisible()
  await teacher.keyboard.press('0')
  await expectInk(teacher, { x: 180, y: 420 })

  await checkPdf(teacher, pdf)
})

async function makeClass(
  teacher: Page,
  names: string[],
): Promise<{ code: string; pins: Map<string, string> }> {
  await teacher.getByRole('link', { name: 'Classes' }).click()
  await teacher.getByRole('button', { name: 'New class' }).click()
  await teacher.getByLabel('Name of the class').fill('Curlew class')
  await teacher.getByRole('button', { name: 'Make the class' }).click()
  // A slip in its name is mended where it stands.
  await expect(teacher.getByRole('button', { name: 'Slips to cut' })).toBeVisible()
  const title = teacher.getByLabel('Name of the class')
  await expect(title).toHaveValue('Curlew class')
  // School is slow to tell what the class is called now: its old name is not what it is called again.
  let tell = () => {}
  const told = new Promise<void>((done) => {
    tell = done
  })
  const theClass = /\/api\/classes\/[0-9a-f-]+$/
  await teacher.route(theClass, async (route) => {
    if (route.request().method() === 'GET') await told
    await route.continue()
  })
  await title.fill('Dunlin class')
  await title.press('Enter')
  await teacher.getByRole('link', { name: 'Classes' }).click()
  await teacher.getByRole('link', { name: /Dunlin class/ }).click()
  await expect(title).toHaveValue('Curlew class')
  tell()
  await expect(title).toHaveValue('Dunlin class')
  await teacher.unroute(theClass)
  await teacher.getByLabel('Add students').fill(names.join('\n'))
  await teacher.getByRole('button', { name: `Add ${names.length} students` }).click()
  await expect(teacher.getByText('Write the new PINs down now')).toBeVisible()
  await expect(teacher.getByRole('row')).toHaveCount(names.length + 1)
  const pins = new Map<string, string>()
  for (const name of names) {
    const row = teacher.getByRole('row').filter({ has: teacher.getByLabel(`Name of ${name}`) })
    pins.set(
      name,
      (await row
        .getByRole('cell')
        .filter({ hasText: /^\d{4}$/ })
        .textContent())!,
    )
  }
  const code = (await teacher
    .getByText(/class code/)
    .locator('b')
    .textContent())!
  return { code, pins }
}

async function signInStudent(page: Page, code: string, name: string, pin: string): Promise<Page> {
  await page.goto(server.url)
  await page.getByLabel('Class code').fill(code.toLowerCase())
  await page.getByRole('button', { name: 'Next' }).click()
  await page.getByRole('button', { name }).click()
  await page.getByLabel('Your PIN').fill(pin)
  await page.getByRole('button', { name: 'Come in' }).click()
  await expect(page.getByRole('heading', { name: 'In your hands' })).toBeVisible()
  return page
}

/** Renders the downloaded copy with another program and looks for the ink where it must be. */
async function checkPdf(teacher: Page, original: Uint8Array): Promise<void> {
  const [download] = await Promise.all([
    teacher.waitForEvent('download'),
    teacher.getByRole('link', { name: 'Copy as PDF' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('Reading a tide table, Noor Farrant.pdf')
  const folder = mkdtempSync(join(tmpdir(), 'hand-back-pdf-'))
  const render = (bytes: Uint8Array, name: string) => {
    writeFileSync(join(folder, `${name}.pdf`), bytes)
    const done = spawnSync('pdftoppm', [
      '-cropbox',
      '-r',
      '72',
      '-png',
      join(folder, `${name}.pdf`),
      join(folder, name),
    ])
    expect(done.status).toBe(0)
  }
  render(readFileSync((await download.path())!), 'copy')
  render(original, 'original')
  /** The darkest pixel near a place (points) of a page, as red, green, blue. */
  const colourAt = async (name: string, page: number, x: number, y: number) => {
    const { data, info } = await sharp(join(folder, `${name}-${page}.png`))
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true })
    let darkest = [255, 255, 255]
    for (let py = y - 3; py <= y + 3; py++) {
      for (let px = x - 3; px <= x + 3; px++) {
        const at = (py * info.width + px) * 3
        const pixel = [...data.subarray(at, at + 3)]
        if (pixel.reduce((a, b) => a + b) < darkest.reduce((a, b) => a + b)) darkest = pixel
      }
    }
    return { red: darkest[0]!, green: darkest[1]!, blue: darkest[2]! }
  }
  const ink = await colourAt('copy', 1, 200, 150)
  expect(ink.red + ink.green + ink.blue).toBeLessThan(250)
  const blue = await colourAt('copy', 2, 60, 140)
  expect(blue.blue - blue.red).toBeGreaterThan(60)
  const madder = await colourAt('copy', 2, 250, 300)
  expect(madder.red - madder.blue).toBeGreaterThan(60)
  const green = await colourAt('copy', 2, 180, 420)
  expect(green.green - green.red).toBeGreaterThan(40)
  // The printed page is there as it was, and nothing else.
  expect(await colourAt('copy', 1, 320, 418)).toEqual(await colourAt('original', 1, 320, 418))
  expect(await colourAt('copy', 1, 450, 700)).toEqual({ red: 255, green: 255, blue: 255 })
}
