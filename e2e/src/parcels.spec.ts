import { readFile } from 'node:fs/promises'
import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { textOfPdf } from '@hand-back/server/test/textOfPdf.ts'
import type { Download, Page } from '@playwright/test'
import { unzipSync } from 'fflate'
import { openCopy, prepareLesson } from './fixtures/lesson.ts'
import { handedInQuestions } from './fixtures/questions.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { button, expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])

async function saved(page: Page, press: () => Promise<void>): Promise<{ name: string; bytes: Buffer }> {
  const [download] = await Promise.all([page.waitForEvent('download') as Promise<Download>, press()])
  return { name: download.suggestedFilename(), bytes: await readFile((await download.path())!) }
}

test('copies are taken away with cover and marks, as one PDF or a file for each; one question of all', async ({
  somebody,
}) => {
  const { teacher, lesson } = await handedInQuestions(server, somebody, pdf)
  await teacher.getByLabel('Marks for question 1').fill('1½')
  await teacher.getByLabel('Marks for question 1').press('Enter')
  await expectKept(teacher)
  const take = async (choose: () => Promise<unknown>) => {
    await teacher.goto(`${server.url}/handout/${lesson.handout}`)
    await button(teacher, 'Take away').click()
    await choose()
    await button(teacher, 'Pack them').click()
    const save = teacher.locator('[data-sonner-toast]').getByRole('button', { name: 'Save' })
    await save.waitFor()
    return saved(teacher, () => save.click())
  }
  const one = await take(async () => {})
  expect(one.name).toBe('Reading a tide table.pdf')
  const said = textOfPdf(one.bytes)
  for (const words of ['Lotte Lindqvist', 'Rafi Kowal', '1½ of 6 marks', '9/2']) expect(said).toContain(words)

  const each = await take(async () => {
    await teacher.getByRole('radio', { name: /A PDF for each/ }).click()
    await teacher.getByLabel('With the marks').click()
  })
  const files = unzipSync(new Uint8Array(each.bytes))
  expect(Object.keys(files)).toEqual([
    'Reading a tide table/Lotte Lindqvist.pdf',
    'Reading a tide table/Rafi Kowal.pdf',
  ])
  const lotte = textOfPdf(Buffer.from(files['Reading a tide table/Lotte Lindqvist.pdf']!))
  expect(lotte).toContain('9/2')
  expect(lotte).not.toContain('1½')

  const question = await take(() =>
    teacher.getByLabel('What?').selectOption('only the answers to question 1'),
  )
  expect(question.name).toBe('Reading a tide table, question 1.pdf')
  expect(textOfPdf(question.bytes)).toMatch(/Lotte Lindqvist[\s\S]*9\/2[\s\S]*Rafi Kowal/)

  // One copy alone, from the pile.
  await teacher.goto(`${server.url}/handout/${lesson.handout}/pile/${lesson.students[0]!.copy}`)
  await button(teacher, 'With a cover …').click()
  await button(teacher, 'Pack it').click()
  const save = teacher.locator('[data-sonner-toast]').getByRole('button', { name: 'Save' })
  await save.waitFor()
  expect((await saved(teacher, () => save.click())).name).toBe('Reading a tide table, Lotte Lindqvist.pdf')
})

test('packing goes on over a reload, is stopped by one press, and what is packed is kept', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const names = Array.from({ length: 40 }, (_, at) => `Student ${at + 1}`)
  const lesson = await prepareLesson(server, teacher, names, pdf)
  const begin = async () => {
    await teacher.goto(`${server.url}/handout/${lesson.handout}`)
    await button(teacher, 'Take away').click()
    await teacher.getByRole('radio', { name: /A PDF for each/ }).click()
    await button(teacher, 'Pack them').click()
    await teacher.getByRole('button', { name: /^Packing \d/ }).waitFor()
  }
  await begin()
  await teacher.reload()
  await teacher.getByRole('button', { name: /^Packing \d/ }).click()
  await teacher.getByRole('button', { name: /^Stop/ }).click()
  await expect(teacher.locator('[data-parcel=packing]')).toHaveCount(0)
  const ofThis = () => server.rows(`SELECT 1 FROM parcel WHERE wish->>'handout' = '${lesson.handout}'`)
  expect(await ofThis()).toEqual([])

  await begin()
  await teacher.reload()
  await teacher.getByRole('button', { name: /^Packing|packed$/ }).click()
  await expect(teacher.locator('[data-parcel=packing]')).toHaveCount(0)
  // The newest stands first.
  const row = teacher.locator('[data-parcel=ready]').first()
  await expect(row).toContainText('kept until')
  const { bytes } = await saved(teacher, () => row.getByRole('button', { name: /^Save/ }).click())
  expect(Object.keys(unzipSync(new Uint8Array(bytes)))).toHaveLength(40)
  await row.getByRole('button', { name: /^Remove/ }).click()
  await expect.poll(ofThis).toEqual([])
})

test('a student takes all work home', async ({ somebody }) => {
  const { lesson } = await handedInQuestions(server, somebody, pdf)
  const student = await somebody()
  await openCopy(server, student, lesson, 0)
  await student.getByRole('link', { name: 'My tray' }).click()
  await button(student, 'Take home').click()
  await button(student, 'Pack it').click()
  const ready = student.locator('[data-parcel=ready]')
  const { name, bytes } = await saved(student, () => ready.getByRole('button', { name: /^Save/ }).click())
  expect(name).toBe('My work, Lotte Lindqvist.zip')
  const [file] = Object.entries(unzipSync(new Uint8Array(bytes)))
  expect(file![0]).toBe(`${lesson.className}/Reading a tide table.pdf`)
  expect(textOfPdf(Buffer.from(file![1]))).toContain('9/2')
})
