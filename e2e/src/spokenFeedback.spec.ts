import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { handIn, openCopy, prepareLesson, signInStudent } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, drawWithPen, expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf()

const bar = (page: Page) => page.getByRole('region', { name: 'Recording' })
const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: true })
const note = (page: Page) => page.getByRole('button', { name: /(Play|Pause) voice note/ })

/** Everything that school tells a student of a copy, and whether it gives out a sound of it. */
async function toldTo(student: Page, copy: string, recording: string) {
  const log = await student.request.get(`${server.url}/api/copies/${copy}/log`)
  const sound = await student.request.get(`${server.url}/api/copies/${copy}/attachments/${recording}`)
  return { log: await log.text(), sound: sound.status() }
}

test('a teacher speaks while marking: not one byte of it before it goes back, heard piece by piece after', async ({
  somebody,
}) => {
  const teacher = await somebody({ permissions: ['microphone'] })
  const lesson = await prepareLesson(server, teacher, ['Teodor Iqbal', 'Rafi Kowal'], pdf)
  const [teodors, rafis] = lesson.students.map(({ copy }) => copy) as [string, string]
  const teodor = await somebody()
  await openCopy(server, teodor, lesson, 0)
  await handIn(teodor)
  const rafi = await somebody()
  await openCopy(server, rafi, lesson, 1)
  await handIn(rafi)

  await teacher.goto(`${server.url}/handout/${lesson.handout}/pile/${teodors}`)
  await teacher.locator('main[aria-busy=false]').waitFor()
  await button(teacher, 'Speak').click()
  await button(teacher, /^Stop 0:0[1-9]/).click()
  await bar(teacher).getByRole('textbox').fill('Begin at low water.')
  await button(teacher, 'Keep').click()
  await expect(note(teacher)).toHaveCount(1)
  // Said, and not kept by a press: going on to the next copy keeps it.
  await button(teacher, 'Speak').click()
  await button(teacher, /^Stop 0:0[1-9]/).click()
  await expect(button(teacher, 'Keep')).toBeVisible()
  await teacher.keyboard.press('n')
  await expect(teacher.getByRole('heading', { name: 'Rafi Kowal' })).toBeVisible()
  const spoken = () =>
    server.rows<{ recording: string; copy: string }>(
      `SELECT body->'items'->0->>'recording' AS recording, copy_id AS copy FROM event
       WHERE body->'items'->0->>'kind' = 'voice' AND copy_id = ANY($1) ORDER BY seq`,
      [[teodors, rafis]],
    )
  await expect.poll(async () => (await spoken()).map(({ copy }) => copy)).toEqual([teodors, teodors])
  const { recording } = (await spoken())[0]!

  const before = await toldTo(teodor, teodors, recording)
  expect(before.sound).toBe(404)
  for (const told of [recording, 'Begin at low water', 'voice', 'peaks'])
    expect(before.log).not.toContain(told)
  await expect(note(teodor)).toHaveCount(0)

  // Handed back while the teacher still speaks: that goes with it.
  await teacher.keyboard.press('b')
  await expect(teacher.getByRole('heading', { name: 'Teodor Iqbal' })).toBeVisible()
  await teacher.locator('main[aria-busy=false]').waitFor()
  await expect(note(teacher)).toHaveCount(2)
  await button(teacher, 'Speak').click()
  await expect(button(teacher, /^Stop 0:0[1-9]/)).toBeVisible()
  await button(teacher, 'Hand back').click()
  await expect(note(teodor)).toHaveCount(3)
  expect((await toldTo(teodor, teodors, recording)).sound).toBe(200)
  expect((await toldTo(rafi, teodors, recording)).sound).toBe(404)

  const steps = teodor.getByRole('region', { name: 'What came back' })
  await expect(steps.getByText('Begin at low water.')).toBeVisible()
  await steps
    .getByRole('button', { name: /^Listen/ })
    .first()
    .click()
  const heard = (each: HTMLAudioElement) => each.currentTime
  await expect.poll(() => steps.locator('audio').first().evaluate(heard)).toBeGreaterThan(0.2)
})

test('a student answers feedback aloud, also where it came back only to be read; its teacher hears it, nobody else', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, ['Teodor Iqbal', 'Rafi Kowal'], pdf)
  const [teodors, rafis] = lesson.students.map(({ copy }) => copy) as [string, string]
  const teodor = await somebody({ permissions: ['microphone'] })
  await openCopy(server, teodor, lesson, 0)
  await handIn(teodor)
  await teacher.goto(`${server.url}/handout/${lesson.handout}/pile/${teodors}`)
  await teacher.locator('main[aria-busy=false]').waitFor()
  await drawWithPen(teacher, along({ x: 80, y: 200 }, { x: 200, y: 210 }))
  await expectKept(teacher)
  await button(teacher, 'Hand back').click()

  const steps = teodor.getByRole('region', { name: 'What came back' })
  await button(teodor, 'Answer by voice').click()
  await expect(bar(teodor)).toBeVisible()
  await expect(bar(teodor).getByText(/^0:0[1-9]$/)).toBeVisible()
  await bar(teodor).getByRole('button', { name: 'Stop' }).click()
  await expect(bar(teodor)).toContainText('Your answer')
  await bar(teodor).getByRole('textbox').fill('I see it now')
  await button(teodor, 'Keep').click()
  await expect(steps.getByRole('button', { name: 'Listen: your answer' })).toBeVisible()
  await expect(steps.getByText('You: “I see it now”')).toBeVisible()
  await expectKept(teodor)
  // It lies on no page.
  await expect(note(teodor)).toHaveCount(0)
  await teodor.reload()
  await steps.getByRole('button', { name: 'Listen: your answer' }).click()
  const heard = (each: HTMLAudioElement) => each.currentTime
  await expect.poll(() => steps.locator('audio').first().evaluate(heard)).toBeGreaterThan(0.2)

  const margin = teacher.getByRole('complementary', { name: 'Marks' })
  await margin.getByRole('button', { name: 'Listen: what Teodor says' }).click()
  await expect.poll(() => margin.locator('audio').first().evaluate(heard)).toBeGreaterThan(0.2)
  await expect(margin.getByText('Teodor: “I see it now”')).toBeVisible()

  const [row] = await server.rows<{ recording: string }>(
    `SELECT body->'set'->'reply'->'voice'->>'recording' AS recording FROM event
     WHERE copy_id = $1 AND body->'set'->'reply'->'voice' IS NOT NULL`,
    [teodors],
  )
  const rafi = await somebody()
  await openCopy(server, rafi, lesson, 1)
  expect((await toldTo(rafi, teodors, row!.recording)).sound).toBe(404)
  expect((await toldTo(rafi, rafis, row!.recording)).sound).toBe(404)

  await button(teodor, 'Take your spoken answer away').click()
  await expect(button(teodor, 'Answer by voice')).toBeVisible()
  await expect(margin.getByRole('button', { name: 'Listen: what Teodor says' })).toHaveCount(0)
})

test('what was spoken once is kept as a remark, and said again on the next copy with a sound of its own', async ({
  somebody,
}) => {
  const teacher = await somebody({ permissions: ['microphone'] })
  const lesson = await prepareLesson(server, teacher, ['Ida Berg', 'Noor Farrant'], pdf)
  const [first, second] = lesson.students.map(({ copy }) => copy) as [string, string]
  for (const [index, copy] of [first, second].entries()) {
    const student = await somebody()
    await signInStudent(server, student, lesson, index)
    await student.request.post(`${server.url}/api/copies/${copy}/hand-in`, {
      headers: { origin: server.url },
    })
  }
  await teacher.goto(`${server.url}/handout/${lesson.handout}/pile/${first}`)
  await teacher.locator('main[aria-busy=false]').waitFor()
  await button(teacher, 'Speak').click()
  await button(teacher, /^Stop 0:0[1-9]/).click()
  await bar(teacher).getByRole('textbox').fill('Begin at low water.')
  await button(teacher, 'Keep').click()
  await note(teacher).click()
  await button(teacher, 'Keep as a remark').click()
  const dialog = teacher.getByRole('dialog')
  await expect(dialog.getByLabel('Short name')).toHaveValue('Begin at low water.')
  await dialog.getByRole('button', { name: 'Keep' }).click()
  await expect(dialog).toHaveCount(0)

  await teacher.goto(`${server.url}/handout/${lesson.handout}/pile/${second}`)
  await teacher.locator('main[aria-busy=false]').waitFor()
  await expect(note(teacher)).toHaveCount(0)
  await teacher.keyboard.press('r')
  await teacher.getByLabel('Find a remark, or write a new one').fill('begin at low')
  await teacher.keyboard.press('Enter')
  await expect(note(teacher)).toHaveCount(1)
  await expect(teacher.getByText('Begin at low water.').first()).toBeVisible()
  await expectKept(teacher)
  const recordings = await server.rows<{ copy: string; recording: string }>(
    `SELECT copy_id AS copy, body->'items'->0->>'recording' AS recording FROM event
     WHERE body->'items'->0->>'kind' = 'voice' AND copy_id = ANY($1) ORDER BY seq`,
    [[first, second]],
  )
  expect(recordings.map(({ copy }) => copy).sort()).toEqual([first, second].sort())
  expect(recordings[0]!.recording).not.toBe(recordings[1]!.recording)
  const heard = async () => {
    const { recording } = recordings.find(({ copy }) => copy === second)!
    return (await teacher.request.get(`${server.url}/api/copies/${second}/attachments/${recording}`)).status()
  }
  await expect.poll(heard).toBe(200)
})
