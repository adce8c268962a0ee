import { readFileSync } from 'node:fs'
import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { textOfPdf } from '@hand-back/server/test/textOfPdf.ts'
import type { Page } from '@playwright/test'
import { openCopy, prepareLesson, signInStudent } from './fixtures/lesson.ts'
import { atPrinted, typedBox } from './fixtures/printed.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf()

const bar = (page: Page) => page.getByRole('region', { name: 'Recording' })
const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: true })
const note = (page: Page) => page.getByRole('button', { name: /(Play|Pause) voice note/ })

interface Note {
  seconds: number
  heard?: { peaks: string; loudness: number; from: number; to: number }
  words?: string
}

/** The voice notes that were laid on a copy, as school has them. */
async function notesOf(copy: string): Promise<Note[]> {
  const rows = await server.rows<{ note: Note }>(
    `SELECT body->'items'->0 AS note FROM event
     WHERE copy_id = $1 AND body->'items'->0->>'kind' = 'voice' ORDER BY seq`,
    [copy],
  )
  return rows.map((row) => row.note)
}

test('a tab that is killed while somebody speaks loses no more than a second; only they are offered it', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Teodor Iqbal', 'Rafi Kowal'], pdf)
  const [teodors, rafis] = lesson.students.map(({ copy }) => copy) as [string, string]
  const first = await somebody({ permissions: ['microphone'] })
  await openCopy(server, first, lesson, 0)
  await button(first, 'Speak').click()
  await expect(button(first, /^Stop 0:0[5-9]/)).toBeVisible()
  const devTools = await first.context().newCDPSession(first)
  void devTools.send('Page.crash').catch(() => {})

  // Another at the same tablet sees nothing of it.
  const rafi = await first.context().newPage()
  await signInStudent(server, rafi, lesson, 1)
  await rafi.goto(`${server.url}/copy/${rafis}`)
  await rafi.locator('main[aria-busy=false]').waitFor()
  await expect(button(rafi, 'Speak')).toBeVisible()
  await expect(bar(rafi)).toHaveCount(0)
  await rafi.close()

  const again = await first.context().newPage()
  await signInStudent(server, again, lesson, 0)
  await again.goto(`${server.url}/copy/${teodors}`)
  await expect(bar(again)).toContainText('not kept yet')
  await expect(bar(again).getByText(/^0:0[45]$/)).toBeVisible()
  await button(again, 'Keep').click()
  await expect(note(again)).toHaveCount(1)
  await expectKept(again)
  const [kept] = await notesOf(teodors)
  expect(kept!.seconds).toBeGreaterThan(3.9)
  expect(kept!.heard!.to).toBeGreaterThan(3.5)
  // Once it lies on the page, it is offered no more.
  await again.reload()
  await expect(note(again)).toHaveCount(1)
  await expect(button(again, 'Speak')).toBeVisible()
  await expect(bar(again)).toHaveCount(0)
})

test('paused, listened to, spoken again, taken away and brought back; what is kept was heard by the device', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Mila Yamada'], pdf)
  const mila = await somebody({ permissions: ['microphone'] })
  await openCopy(server, mila, lesson, 0)
  await button(mila, 'Speak').click()
  await expect(button(mila, /^Stop 0:0[2-9]/)).toBeVisible()
  await button(mila, 'Pause').click()
  await expect(bar(mila)).toContainText('A pause')
  const paused = await button(mila, /^Stop 0:/).textContent()
  await mila.evaluate(() => new Promise((done) => setTimeout(done, 1500)))
  expect(await button(mila, /^Stop 0:/).textContent()).toBe(paused)
  await button(mila, 'Go on').click()
  await button(mila, /^Stop 0:0[3-9]/).click()
  await expect(bar(mila).getByText(/^0:0[3-9]$/)).toBeVisible()

  await button(mila, 'Listen').click()
  const sound = bar(mila).locator('audio')
  await expect.poll(() => sound.evaluate((each: HTMLAudioElement) => each.currentTime)).toBeGreaterThan(0.5)
  await button(mila, 'Pause').click()

  await button(mila, 'Take away').click()
  await expect(bar(mila)).toHaveCount(0)
  await button(mila, 'Undo').last().click()
  await expect(bar(mila).getByText(/^0:0[3-9]$/)).toBeVisible()

  await button(mila, 'Once more').click()
  await button(mila, /^Stop 0:0[1-9]/).click()
  await expect(bar(mila).getByText(/^0:0[1-9]$/)).toBeVisible()
  await bar(mila).getByRole('textbox').fill('At low tide.')
  await button(mila, 'Keep').click()
  await expect(note(mila)).toHaveCount(1)
  await expectKept(mila)
  const [kept, ...more] = await notesOf(lesson.students[0]!.copy)
  expect(more).toEqual([])
  expect(kept!.words).toBe('At low tide.')
  expect(kept!.heard!.peaks).toHaveLength(48)
  expect(kept!.heard!.loudness).toBeGreaterThan(-60)

  // Played on the page, a press on its line goes to that moment.
  await note(mila).click()
  const line = mila.getByRole('slider', { name: 'Where in the recording' })
  await expect(line).toBeVisible()
  await line.focus()
  await mila.keyboard.press('End')
  await expect(line).toHaveCount(0)

  // Its words can be written better later, and undone.
  await note(mila).click()
  await button(mila, 'Write it in words').click()
  await mila.getByLabel('What was said, in words').fill('At low tide, when the mole is dry.')
  await mila.keyboard.press('Enter')
  await expect(mila.getByText('At low tide, when the mole is dry.')).toBeVisible()
  await expectKept(mila)
  await button(mila, 'Undo').first().click()
  await expect(mila.getByText('At low tide.', { exact: true })).toBeVisible()
  await expect(mila.getByRole('button', { name: /Play voice note/ })).toBeVisible()

  // All that is spoken on the page, from the view menu.
  await button(mila, 'View').click()
  await button(mila, 'Hear what is spoken').click()
  await expect(mila.getByRole('button', { name: /Pause voice note/ })).toBeVisible()
  await mila.keyboard.press('Escape')
  await expect(mila.getByRole('button', { name: /Play voice note/ })).toBeVisible()

  // Whoever spoke it takes it away, by a press; undo brings it back.
  await note(mila).click()
  await button(mila, 'Take the voice note away').click()
  await expect(note(mila)).toHaveCount(0)
  await button(mila, 'Undo').first().click()
  await expect(note(mila)).toHaveCount(1)
})

test('handing in keeps what is being spoken; leaving the copy leaves it for the next time', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Sefa Zieliński', 'Noor Farrant'], pdf)
  const sefa = await somebody({ permissions: ['microphone'] })
  await openCopy(server, sefa, lesson, 0)
  await button(sefa, 'Speak').click()
  await expect(button(sefa, /^Stop 0:0[2-9]/)).toBeVisible()
  await button(sefa, 'Hand in').click()
  await expect.poll(() => notesOf(lesson.students[0]!.copy)).toHaveLength(1)

  const noor = await somebody({ permissions: ['microphone'] })
  await openCopy(server, noor, lesson, 1)
  await button(noor, 'Speak').click()
  await expect(button(noor, /^Stop 0:0[2-9]/)).toBeVisible()
  await noor.getByRole('link', { name: 'My tray' }).click()
  await noor.getByRole('heading', { name: 'In your hands' }).waitFor()
  await expect(noor.getByText('a recording is not kept yet')).toBeVisible()
  // Who signs out is told of it first.
  await button(noor, 'Sign out').click()
  const told = noor.getByRole('dialog', { name: 'A recording is not kept yet' })
  await expect(told).toContainText('it waits on this device')
  await button(noor, 'Stay').click()
  await expect(told).toHaveCount(0)
  await noor.goBack()
  await expect(bar(noor)).toContainText('not kept yet')
  await expect(bar(noor).getByText(/^0:0[123]$/)).toBeVisible()
})

/** A WAV file of a tone, in one channel of 8 bits. */
function wav(seconds: number, rate: number): Buffer {
  const head = Buffer.alloc(44)
  const length = seconds * rate
  head.write('RIFF', 0)
  head.writeUInt32LE(36 + length, 4)
  head.write('WAVEfmt ', 8)
  head.writeUInt32LE(16, 16)
  head.writeUInt16LE(1, 20)
  head.writeUInt16LE(1, 22)
  head.writeUInt32LE(rate, 24)
  head.writeUInt32LE(rate, 28)
  head.writeUInt16LE(1, 32)
  head.writeUInt16LE(8, 34)
  head.write('data', 36)
  head.writeUInt32LE(length, 40)
  const tone = Buffer.from(Array.from({ length }, (_, at) => 128 + Math.round(90 * Math.sin(at / 3))))
  return Buffer.concat([head, tone])
}

test('a sound made elsewhere is taken as if it were spoken here; what is none, or too long, is said', async ({
  somebody,
}) => {
  const lesson = await prepareLesson(server, await somebody(), ['Lotte Lindqvist'], pdf)
  const lotte = await somebody()
  await openCopy(server, lotte, lesson, 0)
  const bring = async (name: string, mimeType: string, buffer: Buffer) => {
    await button(lotte, 'Add').click()
    const chooser = lotte.waitForEvent('filechooser')
    await button(lotte, 'Sound').click()
    await (await chooser).setFiles({ name, mimeType, buffer })
  }
  await bring('tides.wav', 'audio/wav', Buffer.from('High water is at 10:25.'))
  await expect(lotte.getByText('This is no sound that can be played.')).toBeVisible()
  await bring('tides.wav', 'audio/wav', wav(400, 3000))
  await expect(lotte.getByText('This takes 6:40. Here a recording is at most 5:00.')).toBeVisible()
  await expect(bar(lotte)).toHaveCount(0)
  await bring('tides.wav', 'audio/wav', wav(3, 8000))
  await expect(bar(lotte).getByText(/^0:0[3-9]$/)).toBeVisible()
  await button(lotte, 'Keep').click()
  await expect(note(lotte)).toHaveCount(1)
  await expectKept(lotte)
  const [kept] = await notesOf(lesson.students[0]!.copy)
  expect(kept!.seconds).toBeCloseTo(3, 1)
  await note(lotte).click()
  await expect(lotte.getByRole('button', { name: /Pause voice note/ })).toBeVisible()
})

test('in a pile, one key goes on to the next copy and plays what is spoken there, one after the other; one key answers aloud', async ({
  somebody,
}) => {
  const teacher = await somebody({ permissions: ['microphone'] })
  const lesson = await prepareLesson(server, teacher, ['Bram Castellanos', 'Pia Jankauskas'], pdf)
  for (const index of [0, 1]) {
    const student = await somebody({ permissions: ['microphone'] })
    await openCopy(server, student, lesson, index)
    for (let spoken = 0; spoken < 2; spoken++) {
      await button(student, 'Speak').click()
      await button(student, /^Stop 0:0[1-9]/).click()
      await button(student, 'Keep').click()
      await expect(note(student)).toHaveCount(spoken + 1)
    }
    await expectKept(student)
    await button(student, 'Hand in').click()
    await expect(button(student, 'Speak')).toHaveCount(0)
  }
  const [brams] = lesson.students.map(({ copy }) => copy)
  await teacher.goto(`${server.url}/handout/${lesson.handout}/pile/${brams}`)
  await teacher.locator('main[aria-busy=false]').waitFor()
  await expect(note(teacher)).toHaveCount(2)
  const playing = teacher.getByRole('button', { name: /Pause voice note/ })
  const told = () => playing.evaluateAll((all) => all.map((each) => each.getBoundingClientRect().y))
  await teacher.keyboard.press('l')
  await expect(playing).toHaveCount(1)
  const [first] = await told()
  // It lasts a second: looked for more often than that.
  await expect.poll(async () => (await told())[0] ?? 0, { intervals: [50] }).toBeGreaterThan(first!)
  await expect(playing).toHaveCount(0)

  // Answered aloud by the same hand: what was heard falls silent, and so does the answer once it is there.
  await teacher.keyboard.press('l')
  await expect(playing).toHaveCount(1)
  await teacher.keyboard.press('a')
  await expect(teacher.getByRole('button', { name: /^Stop 0:0[1-9]/ })).toBeVisible()
  expect(await playing.count()).toBe(0)
  await teacher.keyboard.press('a')
  await expect(button(teacher, 'Keep')).toBeVisible()
  await teacher.keyboard.press('a')
  await expect(note(teacher)).toHaveCount(3)
  await expectKept(teacher)
  await expect(playing).toHaveCount(0)
  // What is still being said when one goes on is kept on its copy.
  await teacher.keyboard.press('a')
  await expect(teacher.getByRole('button', { name: /^Stop 0:0[1-9]/ })).toBeVisible()

  await teacher.keyboard.press('Shift+L')
  await expect(teacher.getByRole('heading', { name: 'Pia Jankauskas' })).toBeVisible()
  await expect(playing).toHaveCount(1)
  await teacher.keyboard.press('l')
  await expect(playing).toHaveCount(0)
  await teacher.keyboard.press('b')
  await expect(note(teacher)).toHaveCount(4)
})

test('where one is to speak one may type instead; a text that was typed is read aloud by its writer', async ({
  somebody,
}) => {
  const place = { x: 60, y: 100, width: 320, height: 120 }
  const { student, teacher, lesson } = await atPrinted(
    server,
    somebody,
    pdf,
    [
      { kind: 'speak', label: 'Tell how', ...place },
      { ...typedBox('Your story', 300), takes: 'lines', width: 320, height: 120 },
    ],
    { permissions: ['microphone'] },
  )
  const { copy } = lesson.students[0]!
  await button(student, 'Tell how: type it').click()
  const words = student.getByLabel('Tell how, in words')
  await expect(words).toBeFocused()
  await student.keyboard.type('The tide turns at six')
  await expectKept(student)
  await student.reload()
  await expect(words).toHaveValue('The tide turns at six')
  // Emptied and left, there are both ways again.
  await words.fill('')
  await words.blur()
  await expect(button(student, 'Tell how: type it')).toBeVisible()
  await expect(button(student, 'Tell how')).toBeVisible()
  await button(student, 'Tell how: type it').click()
  await student.keyboard.type('At seven')

  await expect(button(student, 'Read your text aloud')).toHaveCount(0)
  await student.getByLabel('Your story').fill('Once a boat lay dry.')
  await button(student, 'Read your text aloud').click()
  await button(student, /^Stop 0:0[1-9]/)
    .first()
    .click()
  await button(student, 'Keep').click()
  await expect(note(student)).toHaveCount(1)
  await expectKept(student)
  const [kept] = await notesOf(copy)
  expect(kept!.seconds).toBeGreaterThan(0.5)
  const savedAs = async (page: Page, how: string) => {
    const save = button(page, 'Save the recording')
    if ((await button(page, how).count()) === 0) await save.click()
    const saving = page.waitForEvent('download')
    await button(page, how).click()
    const saved = await saving
    return { name: saved.suggestedFilename(), bytes: readFileSync(await saved.path()) }
  }
  // Its sound is still on this device.
  await note(student).click()
  expect((await savedAs(student, 'As WAV')).bytes.subarray(0, 4).toString()).toBe('RIFF')

  await teacher.goto(`${server.url}/handout/${lesson.handout}/pile/${copy}`)
  await teacher.locator('main[aria-busy=false]').waitFor()
  await expect(note(teacher)).toHaveCount(1)
  // Taken away as it is, and as WAV.
  await note(teacher).click()
  const wav = await savedAs(teacher, 'As WAV')
  expect(wav.name).toBe('recording.wav')
  expect(wav.bytes.subarray(0, 4).toString()).toBe('RIFF')
  // What was heard is as long: 48,000 samples of two bytes a second.
  expect(Math.abs(wav.bytes.length / 96_000 - kept!.seconds)).toBeLessThan(0.3)
  await note(teacher).click()
  const webm = await savedAs(teacher, 'As it was recorded')
  expect(webm.name).toBe('recording.webm')
  expect(webm.bytes.subarray(0, 4).toString('hex')).toBe('1a45dfa3')

  const told = await teacher.request.get(`${server.url}/api/copies/${copy}/pdf`)
  const letters = textOfPdf(await told.body())
  expect(letters).toContain('At seven')
})
