import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { openCopy, prepareLesson } from './fixtures/lesson.ts'
import { kept, openPreparing } from './fixtures/preparing.ts'
import { expect, test, testServer } from './fixtures/test.ts'

const server = testServer()
const NAMES = ['Teodor Iqbal'] as const
const sixty = Buffer.from(await makePdf(Array.from({ length: 60 }, () => ({}))))

test('of a PDF of sixty pages those that are wanted are added, by number, where it is said', async ({
  somebody,
}) => {
  const teacher = await somebody()
  await prepareLesson(server, teacher, NAMES, await makePdf([{}, {}]), false)
  await openPreparing(server, teacher)
  const add = teacher.getByRole('button', { name: 'Add a page after page 1' })
  await add.click()
  await expect(teacher.getByRole('dialog', { name: 'Add a page after page 1' })).toBeVisible()
  await teacher
    .getByLabel('PDFs and pictures as pages')
    .setInputFiles({ name: 'pilot.pdf', mimeType: 'application/pdf', buffer: sixty })
  const which = teacher.getByLabel('Which pages?')
  await expect(which).toHaveValue('1–60')
  await which.fill('12, 58–6')
  await expect(teacher.getByRole('alert')).toContainText('Write numbers from 1 to 60')
  await which.fill('12, 58–60')
  await expect(teacher.getByRole('alert')).toHaveCount(0)
  await expect(teacher.getByRole('checkbox', { name: 'Page 12', exact: true })).toBeChecked()
  await teacher.getByRole('checkbox', { name: 'Page 59', exact: true }).uncheck()
  await expect(which).toHaveValue('12, 58, 60')
  await teacher.getByRole('button', { name: 'Add 3 pages' }).click()
  await kept(teacher)
  const numbers = await server.rows(
    `SELECT p.paper->>'number' AS number FROM worksheet_page p
     WHERE p.version_id = (SELECT id FROM worksheet_version ORDER BY number DESC, id LIMIT 1) ORDER BY p.position`,
  )
  expect((numbers as { number: string }[]).map(({ number }) => number)).toEqual(['1', '12', '58', '60', '2'])
})

test('a copy of sixty pages: a short list of tabs, a page by its number, the overview where one is', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES, sixty)
  const student = await somebody()
  await openCopy(server, student, lesson, 0)
  const tabs = student.getByRole('navigation', { name: 'Pages' })
  const shown = async () =>
    (await tabs.getByRole('button', { name: /^Page \d+/ }).allInnerTexts()).map((text) => text.trim())
  // As many as the window has room for: the ends, those around, and the way to all of them.
  const all = student.getByRole('button', { name: 'All pages, new pages, more room' })
  await expect(all).toBeInViewport({ ratio: 1 })
  await expect.poll(shown).toEqual(['1', '2', '3', '4', '5', '6', '60'])
  await student.getByLabel('Page, of 60: type another number to go there').fill('33')
  await student.keyboard.press('Enter')
  await expect(tabs.getByRole('button', { name: 'Page 33' })).toHaveAttribute('aria-current', 'page')
  await expect.poll(shown).toEqual(['1', '31', '32', '33', '34', '35', '60'])
  await expect(all).toBeInViewport({ ratio: 1 })
  await student.setViewportSize({ width: 820, height: 1180 })
  await expect.poll(shown).toEqual(['1', '29', '30', '31', '32', '33', '34', '35', '36', '60'])
  await all.click()
  const here = student.getByRole('dialog').getByRole('button', { name: 'Page 33', exact: true })
  await expect(here).toBeInViewport()
  await expect(
    student.getByRole('dialog').getByRole('button', { name: 'Page 1', exact: true }),
  ).not.toBeInViewport()
})
