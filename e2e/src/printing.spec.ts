import { readFile } from 'node:fs/promises'
import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { textOfPdf } from '@hand-back/server/test/textOfPdf.ts'
import type { Page } from '@playwright/test'
import { openCopy, prepareLesson } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'

const server = testServer()
const NAMES = ['Teodor Iqbal', 'Rafi Kowal'] as const
const pdf = await makePdf([{}, {}])

/** The words of the PDF that a press makes. */
async function made(page: Page): Promise<string> {
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Make the PDF' }).click()
  return textOfPdf(await readFile(await (await download).path()))
}

test('a student prints the empty pages at home, with their name; the key for printing opens it', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES, pdf)
  const student = await somebody({ hasTouch: true })
  await openCopy(server, student, lesson, 0)
  await student.getByRole('button', { name: 'View' }).tap()
  await student.getByRole('button', { name: 'Print', exact: true }).tap()
  await student.getByRole('radio', { name: 'The empty pages' }).tap()
  const named = await made(student)
  expect(named).toMatch(/Teodor Iqbal .*page 1 of 2/)
  expect(named).toContain(lesson.className)
  await student.keyboard.press('Escape')
  await student.keyboard.press('Control+p')
  await student.getByLabel('Name, class and page at the head of each page').uncheck()
  expect(await made(student)).not.toContain('Teodor')
})

test('a teacher prints an empty worksheet, and everybody’s copy with their names', async ({ somebody }) => {
  const teacher = await somebody()
  await prepareLesson(server, teacher, NAMES, pdf)
  await teacher.goto(`${server.url}/shelf`)
  await teacher
    .getByRole('button', { name: /^More with/ })
    .first()
    .click()
  await teacher.getByRole('menuitem', { name: 'Print' }).click()
  expect(await made(teacher)).toMatch(/Name _+ +Class _+/)
  await teacher.goto(server.url)
  await teacher
    .getByRole('link', { name: /Reading a tide table/ })
    .first()
    .click()
  await teacher.getByRole('button', { name: 'Print', exact: true }).click()
  await teacher.getByRole('radio', { name: 'Empty pages for everybody' }).click()
  const all = await made(teacher)
  for (const name of NAMES) expect(all).toContain(name)
})

test('the browser’s own printing cuts nothing off: a long list goes on over pages', async ({ somebody }) => {
  const teacher = await somebody()
  const names = Array.from({ length: 60 }, (_, index) => `Student Number${index}`)
  await prepareLesson(server, teacher, names, pdf)
  await teacher.goto(server.url)
  await teacher
    .getByRole('link', { name: /Reading a tide table/ })
    .first()
    .click()
  await expect(teacher.getByRole('row')).toHaveCount(61)
  const text = textOfPdf(await teacher.pdf({ format: 'A4' }))
  for (const name of names) expect(text).toContain(name)
})
