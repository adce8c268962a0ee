import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { BROWSER_OPTIONS } from '@hand-back/tools/setup/browser.ts'
import { chromium } from '@playwright/test'
import { openCopy, prepareLesson } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf()

function secondsPlayed(audio: HTMLElement): number {
  const { played } = audio as HTMLAudioElement
  return played.length > 0 ? played.end(played.length - 1) : 0
}

test('a voice note is recorded, lies on the page, can be moved, and plays for the teacher', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, ['Teodor Iqbal', 'Rafi Kowal'], pdf)
  const teodor = await somebody({ permissions: ['microphone'] })
  await openCopy(server, teodor, lesson, 0)
  await teodor.getByRole('button', { name: 'Speak' }).click()
  const bar = teodor.getByRole('region', { name: 'Recording' })
  await expect(bar.getByText(/^4:5\d left$/)).toBeVisible()
  await teodor.getByRole('button', { name: /^Stop 0:0[3-9]/ }).click()
  await bar.getByRole('textbox').fill('The ebb is slow')
  await bar.getByRole('button', { name: 'Keep' }).click()
  await expect(bar).toHaveCount(0)
  await expect(teodor.getByText('The ebb is slow')).toBeVisible()
  const note = teodor.getByRole('button', { name: /Play voice note, 0:0\d/ })
  await expect(note).toBeVisible()
  await expectKept(teodor)

  const before = (await note.boundingBox())!
  await teodor.mouse.move(before.x + 20, before.y + 20)
  await teodor.mouse.down()
  await teodor.mouse.move(before.x + 120, before.y + 90, { steps: 5 })
  await teodor.mouse.up()
  await expect.poll(async () => Math.round((await note.boundingBox())!.x - before.x)).toBe(100)
  await expectKept(teodor)
  await teodor.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(async () => Math.round((await note.boundingBox())!.x - before.x)).toBe(0)

  await teacher.goto(`${server.url}/handout/${lesson.handout}/pile/${lesson.students[0]!.copy}`)
  const sound = teacher.waitForResponse((response) => response.url().includes('/attachments/'))
  await teacher.getByRole('button', { name: /Play voice note/ }).click()
  const response = await sound
  expect(response.status()).toBe(206)
  expect(response.headers()['content-type']).toBe('audio/webm')
  // What was played stays on record when it has ended; the place in it goes back to its start.
  await expect.poll(() => teacher.locator('audio').evaluate(secondsPlayed)).toBeGreaterThan(0.2)

  // Nobody else may hear it.
  const rafi = await somebody()
  await openCopy(server, rafi, lesson, 1)
  expect((await rafi.request.get(response.url())).status()).toBe(404)
})

test('a voice note made without a network arrives when it is back', async ({ somebody }) => {
  const lesson = await prepareLesson(server, await somebody(), ['Mila Yamada'], pdf)
  const mila = await somebody({ permissions: ['microphone'] })
  await openCopy(server, mila, lesson, 0)
  await mila.context().setOffline(true)
  await mila.getByRole('button', { name: 'Speak' }).click()
  await mila.getByRole('button', { name: /^Stop 0:0[1-9]/ }).click()
  await mila.getByRole('button', { name: 'Keep' }).click()
  await mila.getByRole('button', { name: /Play voice note/ }).click()
  await expect.poll(() => mila.locator('audio').evaluate(secondsPlayed)).toBeGreaterThan(0.2)
  expect(
    await server.rows('SELECT 1 FROM attachment WHERE copy_id = $1', [lesson.students[0]!.copy]),
  ).toHaveLength(0)
  await mila.context().setOffline(false)
  await expectKept(mila)
  expect(
    await server.rows('SELECT 1 FROM attachment WHERE copy_id = $1', [lesson.students[0]!.copy]),
  ).toHaveLength(1)
})

test('the practice microphone and camera stand in where there is neither', async ({ somebody }) => {
  const lesson = await prepareLesson(server, await somebody(), ['Aylin Tamm'], pdf)
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [...BROWSER_OPTIONS, '--autoplay-policy=no-user-gesture-required'],
  })
  const aylin = await browser.newPage()
  await aylin.addInitScript(() => localStorage.setItem('practice devices', 'on'))
  await openCopy(server, aylin, lesson, 0)
  await aylin.getByRole('button', { name: 'Speak' }).click()
  await aylin.getByRole('button', { name: /^Stop 0:0[3-9]/ }).click()
  await aylin.getByRole('button', { name: 'Keep' }).click()
  await expect(aylin.getByRole('button', { name: /Play voice note/ })).toBeVisible()
  await expectKept(aylin)
  const [note] = await server.rows<{ loudness: number }>(
    `SELECT (body->'items'->0->'heard'->>'loudness')::float8 AS loudness FROM event WHERE copy_id = $1`,
    [lesson.students[0]!.copy],
  )
  expect(note!.loudness).toBeGreaterThan(-40)
  await aylin.getByRole('button', { name: 'Add', exact: true }).click()
  await aylin.getByRole('button', { name: 'Camera', exact: true }).click()
  await aylin.getByRole('button', { name: 'Take it' }).click()
  await expect(aylin.getByTestId('picked')).toBeVisible()
  await browser.close()
})

test('no microphone, or not allowed: one clear sentence, and nothing on the page', async ({ somebody }) => {
  const lesson = await prepareLesson(server, await somebody(), ['Sefa Zieliński'], pdf)
  for (const [options, sentence] of [
    [
      ['--use-fake-ui-for-media-stream=deny', '--use-fake-device-for-media-stream'],
      'The microphone is not allowed here',
    ],
    [['--use-fake-ui-for-media-stream'], 'This device has no microphone'],
  ] as const) {
    const browser = await chromium.launch({
      executablePath: '/usr/bin/chromium',
      args: [...BROWSER_OPTIONS, ...options],
    })
    const sefa = await browser.newPage()
    await openCopy(server, sefa, lesson, 0)
    await sefa.getByRole('button', { name: 'Speak' }).click()
    await expect(sefa.getByText(sentence)).toBeVisible()
    await expect(sefa.getByRole('button', { name: /voice note/ })).toHaveCount(0)
    await browser.close()
  }
})
