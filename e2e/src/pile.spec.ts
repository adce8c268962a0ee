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

test('handed back for another go with its own date, at a moment and not before; a last look shows what the student will get', async ({
  somebody,
}) => {
  const { teacher, student } = await handedInQuestions(server, somebody, pdf)
  await teacher.getByLabel('Marks for question 1').fill('1')
  await teacher.getByLabel('Marks for question 1').blur()
  await teacher.getByRole('radio', { name: 'Their view' }).click()
  const look = teacher.getByRole('region', { name: 'What came back' })
  await expect(look.getByText('1 of 1', { exact: true })).toBeVisible()
  await expect(look.getByText(/Question 1/)).toBeVisible()
  await expect(look.getByRole('button', { name: 'Done' })).toHaveCount(0)
  await look.getByRole('button', { name: 'Close this row' }).click()

  await teacher
    .getByRole('link', { name: /Reading/ })
    .first()
    .click()
  await button(teacher, 'Hand back …').click()
  const dialog = teacher.getByRole('dialog')
  await expect(dialog.getByText('one question without marks')).toBeVisible()
  await dialog.getByRole('radio', { name: 'Another go' }).click()
  await dialog.getByLabel('Due: day').fill('2099-12-04')
  await dialog.getByRole('radio', { name: 'Later' }).click()
  await expect(dialog.getByRole('button', { name: 'Hand back one copy later' })).toBeDisabled()
  await dialog.getByLabel('Goes back: day').fill('2020-01-01')
  await expect(dialog.getByText('That moment has passed.')).toBeVisible()
  await dialog.getByLabel('Goes back: day').fill('2099-12-01')
  await dialog.getByRole('button', { name: /Hand back one copy 1 Dec 2099/ }).click()
  await expect(teacher.getByText('goes back 1 Dec 2099')).toBeVisible()
  await student.reload()
  await expect(student.getByText('This is with')).toBeVisible()

  // Now, after all: the date comes with it.
  await button(teacher, 'Hand back …').click()
  await dialog.getByRole('radio', { name: 'Another go' }).click()
  await dialog.getByLabel('Due: day').fill('2099-12-04')
  await dialog.getByRole('button', { name: 'Hand back one copy now' }).click()
  await expect(teacher.getByText('goes back')).toHaveCount(0)
  await expect(student.getByText('asks for another go')).toBeVisible()
  await student.getByRole('link', { name: 'My tray' }).click()
  await expect(student.getByText('due 4 Dec 2099')).toBeVisible()
})

test('the hand-out says what was done on each copy, and shows only those that one asks for', async ({
  somebody,
}) => {
  const { teacher } = await handedInQuestions(server, somebody, pdf)
  await teacher
    .getByRole('link', { name: /Reading/ })
    .first()
    .click()
  const rows = teacher.getByRole('row')
  await expect(rows.filter({ hasText: 'Lotte Lindqvist' })).toContainText(/1 of \d pages? · under a minute/)
  const before = await rows.count()
  await teacher.getByRole('radio', { name: /not opened/ }).click()
  await expect(rows.filter({ hasText: 'Lotte Lindqvist' })).toHaveCount(0)
  expect(await rows.count()).toBeLessThan(before)
  await teacher.getByRole('radio', { name: /not opened/ }).click()
  await expect(rows).toHaveCount(before)
  // The same in the pile: what one looks at stays, where it is one of those.
  await teacher.getByRole('link', { name: 'Lotte Lindqvist', exact: true }).click()
  const list = teacher.getByRole('navigation', { name: 'Pile' })
  await teacher.getByLabel('Which copies').selectOption({ label: 'handed in (1)' })
  await expect(list.getByRole('button')).toHaveCount(1)
  await expect(teacher.getByRole('heading', { name: 'Lotte Lindqvist' })).toBeVisible()
})
