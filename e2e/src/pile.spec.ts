import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { handedInQuestions } from './fixtures/questions.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { button, expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])

test('names are hidden: nothing on the screen, in its title or in what school sends says whose copy it is, until they are shown', async ({
  somebody,
}) => {
  const { teacher } = await handedInQuestions(server, somebody, pdf)
  await expect(teacher.getByRole('heading', { name: 'Lotte Lindqvist' })).toBeVisible()
  await button(teacher, 'Hide names').click()
  await expect(teacher.getByRole('heading', { name: /^Copy \d$/ })).toBeVisible()
  const names = /Lotte|Lindqvist|Rafi|Kowal/
  await expect(teacher.locator('body')).not.toContainText(names)
  const sent: string[] = []
  teacher.on('response', (answer) => {
    if (answer.url().includes('/api/'))
      void answer.text().then(
        (text) => sent.push(text),
        () => {},
      )
  })
  await teacher.reload()
  await expect(teacher.locator('main[aria-busy=false]')).toBeVisible()
  await teacher.keyboard.press('n')
  await expect(teacher.getByText('has not opened')).not.toHaveCount(0)
  expect(await teacher.content()).not.toMatch(names)
  expect(await teacher.title()).not.toMatch(names)
  expect(sent.length).toBeGreaterThan(3)
  expect(sent.join('\n')).not.toMatch(names)
  await button(teacher, 'Names hidden').click()
  await expect(teacher.getByRole('heading', { name: 'Rafi Kowal' })).toBeVisible()
})

test('a copy is reviewed by itself when all its questions have marks, and by hand; what remains is said, and goes back together', async ({
  somebody,
}) => {
  const { teacher, student } = await handedInQuestions(server, somebody, pdf)
  const list = teacher.getByRole('navigation', { name: 'Pile' })
  await expect(list.getByText('0 of 1 reviewed')).toBeVisible()
  for (const marks of ['1', '2']) {
    await teacher.keyboard.press('m')
    await teacher.keyboard.type(marks)
    await teacher.keyboard.press('Escape')
    await teacher.keyboard.press('m')
    await teacher.getByLabel(`Marks for question ${marks}`).fill(marks)
    await teacher.getByLabel(`Marks for question ${marks}`).blur()
  }
  await expect(list.getByText('1 of 1 reviewed')).toBeVisible()
  await expect(list.getByRole('button', { name: /Lotte Lindqvist, handed in, reviewed/ })).toBeVisible()
  await expect(button(teacher, 'Reviewed')).toHaveAttribute('aria-pressed', 'true')
  // By hand it is not, after all; a reload knows it.
  await teacher.keyboard.press('v')
  await expect(list.getByText('0 of 1 reviewed')).toBeVisible()
  await expectKept(teacher)
  await teacher.reload()
  await expect(button(teacher, 'Reviewed')).toHaveAttribute('aria-pressed', 'false')
  await teacher.keyboard.press('v')
  await expect(button(teacher, 'Reviewed')).toHaveAttribute('aria-pressed', 'true')
  await student.reload()
  await expect(student.getByText('This is with')).toBeVisible()

  // The order is another at once, and what is to be reviewed leads it.
  await teacher.keyboard.press('v')
  await expect(button(teacher, 'Reviewed')).toHaveAttribute('aria-pressed', 'false')
  await teacher.getByLabel('Order of the pile').selectOption('not yet reviewed')
  await expect(list.getByRole('button').first()).toHaveAccessibleName('Lotte Lindqvist, handed in')
})
