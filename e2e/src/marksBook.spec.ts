import { readFile } from 'node:fs/promises'
import type { HandoutWhole } from '@hand-back/core'
import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { handedInQuestions } from './fixtures/questions.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { button, expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])
const NAMES = ['Lotte Lindqvist', 'Rafi Kowal', 'Pia Jankauskas', 'Emre Okafor', 'Aylin Tamm']

async function marksOfHandout(somebody: () => Promise<Page>) {
  const { teacher, lesson, student } = await handedInQuestions(server, somebody, pdf, NAMES)
  await teacher.goto(`${server.url}/handout/${lesson.handout}?show=marks`)
  await expect(cell(teacher, 'Lotte Lindqvist', 1)).toBeVisible()
  return { teacher, lesson, student }
}
const cell = (teacher: Page, name: string, question: number) =>
  teacher.getByLabel(`${name}, question ${question}`)
const row = (teacher: Page, name: string) =>
  teacher.getByRole('row').filter({ has: teacher.getByRole('link', { name, exact: true }) })

/** Marks for both questions of all five copies, typed down the columns. */
async function typeAll(teacher: Page, first: readonly string[], second: readonly string[]): Promise<void> {
  for (const [at, column] of [first, second].entries()) {
    await cell(teacher, 'Aylin Tamm', at + 1).focus()
    for (const marks of column) {
      await teacher.keyboard.type(marks)
      await teacher.keyboard.press('Enter')
    }
  }
  await expectKept(teacher)
}

test('marks typed into the book stand on the copies; how hard and how telling a question was is reckoned; bars open copies; CSV goes out and comes in', async ({
  somebody,
}) => {
  const { teacher, lesson } = await marksOfHandout(somebody)
  // By name: Aylin, Emre, Lotte, Pia, Rafi.
  await typeAll(teacher, ['2', '1.5', '1', '½', '0'], ['4', '4', '2', '1', '0'])
  // 2 + 1½ + 1 + ½ + 0 of 10; 4 + 4 + 2 + 1 + 0 of 20.
  const foot = (name: string) =>
    teacher.locator('tfoot tr').filter({ has: teacher.getByRole('rowheader', { name }) })
  await expect(foot('Reached')).toContainText('50 %')
  await expect(foot('Reached')).toContainText('55 %')
  // Both rows: of 2, 1.5, 1, .5, 0 and 4, 4, 2, 1, 0: 5.5 / √(2.5 · 12.8) = 0.97.
  await expect(foot('Tells apart')).toContainText('0.97')
  await expect(foot('Mean')).toContainText('3.2')
  await expect(foot('Median')).toContainText('3')
  await expect(row(teacher, 'Emre Okafor')).toContainText('5½ of 6 · 92 %')

  // They lie on the copies; whose copy nobody had opened was done on paper.
  await expect
    .poll(() =>
      server.rows(
        `SELECT c.state FROM copy c WHERE c.handout_id = '${lesson.handout}' AND c.state <> 'handed in'`,
      ),
    )
    .toEqual([])
  await teacher.goto(`${server.url}/handout/${lesson.handout}/pile/${lesson.students[2]!.copy}`)
  await expect(teacher.getByLabel('Marks for question 1')).toHaveValue('½')
  await teacher.goto(`${server.url}/handout/${lesson.handout}?show=marks`)
  await expect(cell(teacher, 'Pia Jankauskas', 2)).toHaveValue('1')

  // More than full marks, and no number, are not taken; Ctrl+Z takes back what was typed last.
  await cell(teacher, 'Rafi Kowal', 1).fill('3')
  await expect(teacher.getByText('At most 2.')).toBeVisible()
  await cell(teacher, 'Rafi Kowal', 1).press('Escape')
  await cell(teacher, 'Rafi Kowal', 1).fill('2')
  await cell(teacher, 'Rafi Kowal', 1).press('Enter')
  await expect(row(teacher, 'Rafi Kowal')).toContainText('2 of 6')
  await teacher.keyboard.press('Control+z')
  await expect(row(teacher, 'Rafi Kowal')).toContainText('0 of 6')

  // A bar opens the copies behind it, by its table too.
  await teacher
    .getByRole('radiogroup', { name: 'All marks as' })
    .getByRole('radio', { name: 'Numbers' })
    .click()
  await button(teacher, '90–100').click()
  await expect(teacher.getByText('two copies with 90–100 % of all marks')).toBeVisible()
  await expect(teacher.getByRole('link', { name: 'Rafi Kowal', exact: true })).toBeHidden()
  await expect(teacher.getByRole('link', { name: 'Aylin Tamm', exact: true })).toBeVisible()
  await button(teacher, 'Show all').click()

  await button(teacher, 'Take marks away').click()
  await teacher.getByRole('radio', { name: /Semicolons/ }).click()
  const [download] = await Promise.all([
    teacher.waitForEvent('download'),
    button(teacher, 'Save the CSV').click(),
  ])
  const csv = await readFile((await download.path())!, 'utf8')
  expect(csv.split('\r\n').slice(0, 3)).toEqual([
    '\ufeffStudent;Id;1 (of 2);2 (of 4);Total %',
    'Aylin Tamm;;2;4;100',
    'Emre Okafor;;1,5;4;91,7',
  ])

  // Changed in a spreadsheet and brought in again: what is new is seen before it is given.
  await button(teacher, 'Bring in').click()
  const changed = csv
    .replace('Emre Okafor;;1,5;4', 'Emre Okafor;;1,5;3,5')
    .replace('Aylin Tamm;;2;', 'Aylin Tamm;;7;')
  await teacher
    .getByLabel('Choose the CSV …')
    .setInputFiles({ name: 'marks.csv', mimeType: 'text/csv', buffer: Buffer.from(changed) })
  await expect(teacher.getByText('one mark for one copy will be given.')).toBeVisible()
  await expect(teacher.getByText('Aylin Tamm, question 1: at most 2.')).toBeVisible()
  await button(teacher, 'Give this mark').click()
  await expect(cell(teacher, 'Emre Okafor', 2)).toHaveValue('3½')
})

test('a class has marks from elsewhere beside its hand-outs: typed, weighed, brought in, removed and had back; a student is seen over time', async ({
  somebody,
}) => {
  const { teacher, lesson } = await marksOfHandout(somebody)
  await typeAll(teacher, ['2', '2', '1', '1', '0'], ['4', '2', '2', '1', '0'])
  await teacher.getByRole('link', { name: /^All marks of/ }).click()
  await expect(row(teacher, 'Emre Okafor')).toContainText('67 % · 4 of 6')

  await button(teacher, 'Marks from elsewhere').click()
  await teacher.getByLabel('What was it?').fill('Spoken test')
  await button(teacher, 'Add the column').click()
  await expect(teacher.getByText('Say how many marks there were to get')).toBeVisible()
  await teacher.getByLabel('Full marks').fill('10')
  await button(teacher, 'Add the column').click()
  await teacher.getByLabel('Emre Okafor, Spoken test').fill('10')
  await teacher.keyboard.press('Enter')
  // Two thirds and all of it, each once: 83 %.
  await expect(row(teacher, 'Emre Okafor')).toContainText('83 % · 14 of 16')
  await teacher.getByLabel('Spoken test counts so many times').fill('3')
  await teacher.keyboard.press('Enter')
  // (2/3 + 3) / 4.
  await expect(row(teacher, 'Emre Okafor')).toContainText('92 %')
  await teacher.getByLabel('What is missing counts as no marks').click()
  // A third and nothing: (1/3 + 0) / 4.
  await expect(row(teacher, 'Pia Jankauskas')).toContainText('8 %')
  await teacher.reload()
  await expect(row(teacher, 'Emre Okafor')).toContainText('92 %')

  await button(teacher, 'Bring in').click()
  await teacher.getByLabel('Choose the CSV …').setInputFiles({
    name: 'quiz.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Name;Quiz (of 20);Sum\nRafi Kowal;12,5;12,5\nNobody;3;3\n'),
  })
  await expect(teacher.getByText('Nobody in this class is called Nobody.')).toBeVisible()
  await button(teacher, 'Bring in one column').click()
  await expect(teacher.getByLabel('Rafi Kowal, Quiz')).toHaveValue('12½')

  await button(teacher, 'Change Quiz').click()
  await button(teacher, 'Remove it with its marks').click()
  await expect(teacher.getByLabel('Rafi Kowal, Quiz')).toBeHidden()
  await button(teacher, 'Undo').click()
  await expect(teacher.getByLabel('Rafi Kowal, Quiz')).toHaveValue('12½')

  await teacher.getByLabel('Students with this in their name').fill('emre')
  await expect(teacher.getByRole('link', { name: 'Rafi Kowal', exact: true })).toBeHidden()
  await teacher.getByRole('link', { name: 'Emre Okafor', exact: true }).click()
  await expect(teacher.getByRole('img', { name: /Emre Okafor: .*Spoken test 100 %/ })).toBeVisible()
  await expect(teacher.getByRole('row', { name: /Spoken test/ })).toContainText('10 of 10')
  expect(lesson.students).toHaveLength(5)
})

test('who lacks the same is gathered from marks, heaps and remarks; a group is made, and one page handed out to just them', async ({
  somebody,
}) => {
  const { teacher, lesson } = await marksOfHandout(somebody)
  await typeAll(teacher, ['2', '2', '½', '½', '2'], ['4', '4', '4', '0', '4'])
  await teacher.getByRole('radio', { name: 'What next?' }).click()
  const lack = (name: RegExp) => teacher.getByRole('checkbox', { name })
  // Two with less than half of question 1, one of question 2.
  await lack(/Question 1.*2 with less than half/).click()
  const aside = teacher.getByRole('complementary')
  await expect(aside.getByRole('link', { name: 'Lotte Lindqvist' })).toBeVisible()
  await expect(aside.getByRole('link', { name: 'Pia Jankauskas' })).toBeVisible()
  await lack(/Question 2.*1 with less than half/).click()
  await teacher.getByRole('radio', { name: 'all of it' }).click()
  await expect(aside.getByRole('link', { name: 'Lotte Lindqvist' })).toBeHidden()
  await teacher.getByRole('radio', { name: 'any of it' }).click()

  await teacher.getByLabel('Or keep them as a group').fill('Read times')
  await button(teacher, 'Keep the group').click()
  await expect(teacher.getByText('“Read times” is kept')).toBeVisible()

  await button(teacher, 'Hand out to two students …').click()
  await expect(teacher.getByText('Hand out 2 copies')).toBeVisible()
  await teacher.getByRole('radio', { name: 'Only some pages' }).click()
  await teacher.getByRole('button', { name: 'Page 2' }).click()
  await teacher.getByRole('button', { name: 'Page 1' }).click()
  await button(teacher, 'Hand out 2 copies').click()
  await teacher.waitForURL(/\/handout\/[-0-9a-f]+$/)
  const id = new URL(teacher.url()).pathname.split('/').at(-1)
  const whole = (await (await teacher.request.get(`${server.url}/api/handouts/${id}`)).json()) as HandoutWhole
  expect(whole.copies.map(({ name, pageNumbers }) => [name, pageNumbers])).toEqual([
    ['Lotte Lindqvist', [2]],
    ['Pia Jankauskas', [2]],
  ])
  expect(whole.id).not.toBe(lesson.handout)
})
