import { readFileSync } from 'node:fs'
import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { handIn, openCopy, prepareLesson } from './fixtures/lesson.ts'
import { secondsIn, spokenFor, stopButton } from './fixtures/speaking.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithPen, expectInk, expectKept, onScreen } from './hands/hands.ts'

const server = testServer()
/** Of its pages, in points. */
const PAGE_HEIGHT = 842
const pdf = await makePdf([{}, {}])

const bar = (page: Page) => page.getByRole('region', { name: 'Recording' })
const note = (page: Page) => page.getByRole('button', { name: /(Play|Pause) voice note/ })
const player = (page: Page) => page.getByRole('dialog', { name: 'Talked through' })
const second = (page: Page) =>
  player(page)
    .locator('audio')
    .evaluate((each: HTMLAudioElement) => each.currentTime)
/** The second in which something was surely there and not yet what came next; the least that a recording is long. */
interface Talked {
  readonly written: number
  readonly least: number
}

/** Draws while speaking, a stroke after the first second and another on the next page; a while lies between, however slow it is. */
async function talkThrough(page: Page): Promise<Talked> {
  await drawWithPen(page, along({ x: 80, y: 100 }, { x: 200, y: 100 }))
  await button(page, 'Speak').click()
  const stop = stopButton(page)
  await spokenFor(stop, 1)
  await drawWithPen(page, along({ x: 80, y: 200 }, { x: 200, y: 200 }))
  const written = (await secondsIn(stop)) + 1
  await spokenFor(stop, written + 1)
  await page.keyboard.press('PageDown')
  await drawWithPen(page, along({ x: 80, y: 250 }, { x: 200, y: 250 }))
  const least = (await secondsIn(stop)) + 1
  await spokenFor(stop, least)
  await stop.click()
  await button(page, 'Keep').click()
  await expect(note(page)).toHaveCount(0)
  await page.keyboard.press('PageUp')
  await expect(note(page)).toHaveCount(1)
  await drawWithPen(page, along({ x: 80, y: 300 }, { x: 200, y: 300 }))
  await expectKept(page)
  return { written, least }
}

test('a student explains while drawing: played, strokes and pages come as they came; a stroke tells what was said at it', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, ['Teodor Iqbal'], pdf)
  const { copy } = lesson.students[0]!
  const teodor = await somebody({ permissions: ['microphone'] })
  await openCopy(server, teodor, lesson, 0)
  const { written, least } = await talkThrough(teodor)
  // Both of its pages are written on: nothing is asked.
  await button(teodor, 'Hand in').click()
  await expect(teodor.getByText('This is with')).toBeVisible()

  await teacher.goto(`${server.url}/handout/${lesson.handout}/pile/${copy}`)
  await teacher.locator('main[aria-busy=false]').waitFor()
  await button(teacher, 'Watch').click()
  const inPlayer = (at: { x: number; y: number }, there: boolean) => expectInk(teacher, at, there, 'talk')
  await teacher.getByRole('radio', { name: 'hidden' }).click()
  // From its beginning by itself, and to its end: the page is then as it was, without what was made later.
  await expect(player(teacher).getByRole('button', { name: 'Pause' })).toBeVisible()
  await expect.poll(() => second(teacher)).toBeGreaterThan(0.2)
  await teacher.getByRole('radio', { name: '2', exact: true }).click()
  expect(
    await player(teacher)
      .locator('audio')
      .evaluate((each: HTMLAudioElement) => each.playbackRate),
  ).toBe(2)
  const tabs = player(teacher).getByRole('navigation')
  await expect(tabs.locator('[aria-current]')).toHaveText(/2/)
  await expect(player(teacher).getByRole('button', { name: 'Play' })).toBeVisible()
  await inPlayer({ x: 140, y: 250 }, true)

  // Any moment of it, without playing.
  const where = player(teacher).getByRole('slider', { name: 'Where in the recording' })
  await where.fill('0.5')
  await expect(tabs.locator('[aria-current]')).toHaveText(/1/)
  await inPlayer({ x: 140, y: 100 }, true)
  await inPlayer({ x: 140, y: 200 }, false)
  await where.fill(String(written))
  await inPlayer({ x: 140, y: 200 }, true)
  await inPlayer({ x: 140, y: 300 }, false)

  // Faint until its moment; pressed, it tells when it was written.
  await where.fill('0.5')
  await teacher.getByRole('radio', { name: 'faint' }).click()
  await inPlayer({ x: 140, y: 200 }, true)
  const stroke = await onScreen(teacher, { x: 140, y: 200 }, 'talk')
  await teacher.mouse.click(stroke.x, stroke.y)
  await expect.poll(() => second(teacher)).toBeGreaterThan(0.9)
  expect(await second(teacher)).toBeLessThan(written + 1)
  await expect(player(teacher).getByRole('button', { name: 'Pause' })).toBeVisible()
  await teacher.getByRole('radio', { name: 'hidden' }).click()
  const downloaded = teacher.waitForEvent('download')
  await button(teacher, 'Save as a film').click()
  // It is made whether one watches or not.
  await teacher.keyboard.press('Escape')
  await expect(player(teacher)).toHaveCount(0)
  const download = await downloaded
  expect(download.suggestedFilename()).toBe('Reading a tide table, talked through.webm')
  const film = readFileSync(await download.path())
  const looks = await filmAt(teacher, film, [0.5, written, 9999])
  // Page 1 before, and after the stroke in the second second; page 2 at its end. Nothing of what was made later.
  const inks = looks.map(({ inks: [first, second, third, later] }) => ({ first, second, third, later }))
  expect(inks[0]).toEqual({ first: true, second: false, third: false, later: false })
  expect(inks[1]).toMatchObject({ first: true, second: true, later: false })
  expect(inks[2]).toMatchObject({ first: false, second: false, third: true, later: false })
  // Without the silence at its ends.
  expect(looks[0]!.seconds).toBeGreaterThan(least - 2)
  expect(looks[0]!.seconds).toBeLessThan(least + 60)
  expect(looks[0]!.loudest).toBeGreaterThan(0.01)
})

/**
 * A film at some of its seconds: whether there is ink where strokes were drawn; how long it is, and how loud its
 * loudest sample, from 0 to 1.
 */
function filmAt(page: Page, film: Buffer, seconds: readonly number[]) {
  const places = [100, 200, 250, 300].map((y) => ({ x: 140, y }))
  return page.evaluate(
    async ({ base64, at, points, of }) => {
      const bytes = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0))
      const video = document.createElement('video')
      video.muted = true
      video.src = URL.createObjectURL(new Blob([bytes], { type: 'video/webm' }))
      await new Promise((done, failed) => {
        video.onloadeddata = done
        video.onerror = () => failed(new Error('it is no film'))
      })
      const { length, loudest } = await new AudioContext()
        .decodeAudioData(bytes.slice().buffer)
        .then((sound) => ({
          length: sound.duration,
          loudest: sound.getChannelData(0).reduce((most, each) => Math.max(most, Math.abs(each)), 0),
        }))
      const canvas = Object.assign(document.createElement('canvas'), {
        width: video.videoWidth,
        height: video.videoHeight,
      })
      const context = canvas.getContext('2d')!
      const scale = video.videoHeight / of
      const looks = []
      for (const second of at) {
        await new Promise((done) => {
          video.onseeked = done
          video.currentTime = Math.min(second, video.duration)
        })
        context.drawImage(video, 0, 0)
        const inks = points.map(({ x, y }) => {
          const { data } = context.getImageData(x * scale - 3, y * scale - 3, 7, 7)
          return data.some((value, index) => index % 4 !== 3 && value < 150)
        })
        looks.push({ inks, seconds: length, loudest })
      }
      return looks
    },
    { base64: film.toString('base64'), at: seconds, points: places, of: PAGE_HEIGHT },
  )
}

test('what only was spoken has nothing to watch; a teacher’s talk-through is the student’s when it goes back', async ({
  somebody,
}) => {
  const teacher = await somebody({ permissions: ['microphone'] })
  const lesson = await prepareLesson(server, teacher, ['Rafi Kowal'], pdf)
  const { copy } = lesson.students[0]!
  const rafi = await somebody({ permissions: ['microphone'] })
  await openCopy(server, rafi, lesson, 0)
  await button(rafi, 'Speak').click()
  await spokenFor(stopButton(rafi), 1)
  await rafi.getByRole('button', { name: /^Stop / }).click()
  await button(rafi, 'Keep').click()
  await expect(note(rafi)).toHaveCount(1)
  await expect(button(rafi, 'Watch')).toHaveCount(0)
  await expectKept(rafi)
  await handIn(rafi)

  await teacher.goto(`${server.url}/handout/${lesson.handout}/pile/${copy}`)
  await teacher.locator('main[aria-busy=false]').waitFor()
  await button(teacher, 'Speak').click()
  await spokenFor(stopButton(teacher), 1)
  await drawWithPen(teacher, along({ x: 80, y: 200 }, { x: 200, y: 200 }))
  await spokenFor(stopButton(teacher), 2)
  await teacher.getByRole('button', { name: /^Stop / }).click()
  await button(teacher, 'Keep').click()
  await expect(button(teacher, 'Watch')).toBeVisible()
  await expectKept(teacher)
  await expect(button(rafi, 'Watch')).toHaveCount(0)
  await teacher.getByRole('button', { name: 'Hand back', exact: true }).click()
  await expect(button(rafi, 'Watch')).toBeVisible()
  await button(rafi, 'Watch').click()
  await expect.poll(() => second(rafi)).toBeGreaterThan(0.2)
  await expectInk(rafi, { x: 140, y: 200 }, true, 'talk')
  await expect(bar(rafi)).toHaveCount(0)

  // A film that is not wanted any more is not saved.
  const downloads: string[] = []
  rafi.on('download', (each) => downloads.push(each.suggestedFilename()))
  const devTools = await rafi.context().newCDPSession(rafi)
  await devTools.send('Emulation.setCPUThrottlingRate', { rate: 20 })
  await button(rafi, 'Save as a film').click()
  await player(rafi).getByRole('button', { name: 'Stop' }).click()
  await devTools.send('Emulation.setCPUThrottlingRate', { rate: 1 })
  await expect(button(rafi, 'Save as a film')).toBeVisible()
  const wanted = rafi.waitForEvent('download')
  await button(rafi, 'Save as a film').click()
  await wanted
  expect(downloads).toHaveLength(1)
})
