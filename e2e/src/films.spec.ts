import { fileURLToPath } from 'node:url'
import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { seeAsTeacher } from './fixtures/atWork.ts'
import { giveOut, openCopy, prepareLesson, signInStudent } from './fixtures/lesson.ts'
import { kept } from './fixtures/preparing.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { expectKept } from './hands/hands.ts'

const server = testServer()
const TIDE = fileURLToPath(new URL('../../tools/src/demo/recordings/tide.webm', import.meta.url))
const CAPTIONS = 'WEBVTT\n\n00:00.000 --> 00:04.500\nIn it comes.\n'

const bar = (page: Page) => page.getByRole('region', { name: 'Recording' })
const play = (page: Page) => page.getByRole('button', { name: /^Play the film/ })

/** Waits until the film that was opened plays, and tells how it does. */
async function playing(page: Page) {
  const video = page.locator('section video')
  const at = () => video.evaluate((film: HTMLVideoElement) => film.currentTime)
  await expect.poll(at).toBeGreaterThan(0.2)
  return video.evaluate((film: HTMLVideoElement) => ({
    width: film.videoWidth,
    cues: [...film.textTracks].map(({ mode, cues }) => `${mode} ${cues?.length}`),
  }))
}

test('a film is laid on a worksheet with its captions, and played by whoever gets a copy, by keys too', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, ['Aylin Tamm'], await makePdf(), false)
  await teacher.goto(`${server.url}/worksheet/${lesson.worksheet}`)
  const list = teacher.getByRole('navigation', { name: 'Add to the page' })
  await list.getByRole('button', { name: 'Film' }).waitFor()
  // What is no film says so.
  await teacher
    .getByLabel('A film for the page')
    .setInputFiles({ name: 'tide.mp4', mimeType: 'video/mp4', buffer: Buffer.from('no film at all') })
  await expect(teacher.getByText('This film cannot be played in a browser.')).toBeVisible()
  await teacher.getByLabel('A film for the page').setInputFiles(TIDE)
  await teacher.getByLabel('What it is about').fill('The tide comes in')
  await teacher
    .getByLabel('Captions: a WebVTT file')
    .setInputFiles({ name: 'tide.vtt', mimeType: 'text/vtt', buffer: Buffer.from(CAPTIONS) })
  await expect(teacher.getByText('1 caption')).toBeVisible()
  await kept(teacher)
  const { copies } = await giveOut(server, teacher, lesson)

  const aylin = await somebody()
  await signInStudent(server, aylin, lesson, 0)
  await aylin.goto(`${server.url}/copy/${copies[0]!.id}`)
  await play(aylin).focus()
  await aylin.keyboard.press('Enter')
  expect(await playing(aylin)).toEqual({ width: 320, cues: ['showing 1'] })
  await aylin.keyboard.press('Escape')
  await expect(aylin.locator('section video')).toHaveCount(0)
  await expect(play(aylin)).toBeFocused()
})

test('what was filmed is there after its tab was killed, lies on the page, and is seen by the teacher', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, ['Noor Farrant'], await makePdf())
  const noor = await somebody({ permissions: ['camera', 'microphone'] })
  await openCopy(server, noor, lesson, 0)
  const film = async () => {
    await noor.getByRole('button', { name: 'Add', exact: true }).click()
    await noor.getByRole('button', { name: 'Film', exact: true }).click()
  }
  // Looking through the camera alone leaves nothing.
  await film()
  await expect(bar(noor)).toContainText('Point the camera')
  await bar(noor).getByRole('button', { name: 'Not now' }).click()
  await expect(bar(noor)).toHaveCount(0)
  await film()
  await bar(noor).getByRole('button', { name: 'Begin' }).click()
  await expect(bar(noor)).toContainText('0:03')
  const devTools = await noor.context().newCDPSession(noor)
  void devTools.send('Page.crash').catch(() => {})

  const again = await noor.context().newPage()
  await openCopy(server, again, lesson, 0)
  await expect(bar(again)).toContainText('not kept yet')
  await again.getByLabel('What it shows, if you like').fill('My knot')
  await bar(again).getByRole('button', { name: 'Keep' }).click()
  await expect(play(again)).toHaveAccessibleName(/^Play the film: My knot, 0:0[2-4]$/)
  await expectKept(again)
  await seeAsTeacher(server, teacher, lesson)
  await play(teacher).click()
  expect((await playing(teacher)).width).toBeGreaterThan(300)
  await again.getByRole('button', { name: 'Undo' }).click()
  await expect(play(again)).toHaveCount(0)
  await expect(play(teacher)).toHaveCount(0)
})
