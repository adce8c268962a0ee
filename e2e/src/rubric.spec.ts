import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { TABLET } from './fixtures/atWork.ts'
import { handedInQuestions } from './fixtures/questions.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])

const level = (page: Page, criterion: string, name: RegExp) =>
  page.getByRole('radiogroup', { name: criterion }).getByRole('radio', { name })

/** Makes a rubric of two criteria for the copy that is marked. */
async function makeRubric(teacher: Page): Promise<void> {
  await teacher.getByRole('button', { name: 'The whole work' }).click()
  await teacher.getByRole('button', { name: 'Use a rubric' }).click()
  await teacher.getByRole('button', { name: 'New rubric' }).click()
  await expect(teacher.getByRole('button', { name: 'Use this rubric' })).toBeDisabled()
  await teacher.getByLabel('Name', { exact: true }).fill('Telling how')
  await teacher.getByLabel('Criterion 1', { exact: true }).fill('Reads the table')
  await teacher.getByLabel('Words: Reads the table, there').fill('right throughout')
  // Closed by mistake, it is there again.
  await teacher.keyboard.press('Escape')
  await teacher.getByRole('button', { name: 'Use a rubric' }).click()
  await teacher.getByRole('button', { name: 'New rubric' }).click()
  await expect(teacher.getByLabel('Words: Reads the table, there')).toHaveValue('right throughout')
  await teacher.getByRole('button', { name: 'Another criterion' }).click()
  await teacher.getByLabel('Criterion 2', { exact: true }).fill('Says why')
  await teacher.getByLabel('Marks: Says why, there').fill('2½')
  await teacher.getByRole('button', { name: 'Use this rubric' }).click()
  await expect(level(teacher, 'Says why', /^nearly/)).toBeVisible()
}

test('a rubric is made while marking and given by keys; its student sees what is looked for, and what was reached when it is handed back', async ({
  somebody,
}) => {
  const { teacher, student } = await handedInQuestions(server, somebody, pdf)
  await makeRubric(teacher)
  await student.reload()
  await student.getByRole('button', { name: 'Rubric' }).click()
  const cell = student.getByRole('cell', { name: /right throughout/ })
  await expect(cell).toHaveAttribute('data-reached', 'false')
  await student.keyboard.press('Escape')

  // Folded away, Enter after the last question opens it; a number says the level, Enter goes on.
  await teacher.getByRole('button', { name: 'Telling how' }).click()
  await teacher.keyboard.press('m')
  await teacher.keyboard.press('f')
  await teacher.keyboard.press('Enter')
  await teacher.keyboard.press('f')
  await teacher.keyboard.press('Enter')
  await expect(level(teacher, 'Reads the table', /^not yet/)).toBeFocused()
  await teacher.keyboard.press('3')
  await expect(level(teacher, 'Reads the table', /^there/)).toBeChecked()
  await teacher.keyboard.press('Enter')
  await expect(level(teacher, 'Says why', /^not yet/)).toBeFocused()
  await teacher.keyboard.press('3')
  await expect(teacher.getByTestId('sum')).toHaveText('10½ of 10½')
  await teacher.keyboard.press('2')
  await expect(teacher.getByTestId('sum')).toHaveText('9 of 10½')
  await teacher.getByLabel('About the whole work').fill('A careful piece of work.')
  await teacher.getByLabel('About the whole work').press('Escape')
  await expectKept(teacher)

  await student.getByRole('button', { name: 'Rubric' }).click()
  await expect(cell).toHaveAttribute('data-reached', 'false')
  await student.keyboard.press('Escape')
  await teacher.getByRole('button', { name: 'Hand back', exact: true }).first().click()
  await expect(student.getByText('9 of 10½ marks')).toBeVisible()
  await student.getByRole('button', { name: 'Rubric' }).click()
  await expect(cell).toHaveAttribute('data-reached', 'true')
  await student.keyboard.press('Escape')
  const next = student.getByRole('button', { name: 'The next piece' })
  const words = student.getByRole('region', { name: 'What came back' })
  while (await next.isEnabled()) await next.click()
  await expect(words).toContainText('A careful piece of work.')
  await student.getByRole('button', { name: 'The piece before' }).click()
  await expect(words).toContainText('Says why · 1 of 2½ · nearly')
  await student.getByRole('button', { name: 'Answer', exact: true }).click()
  await student.getByLabel('Your answer').fill('I will say why.')
  await student.getByLabel('Your answer').press('Enter')
  await expect(teacher.getByText('I will say why.')).toBeVisible()
})

test('by touch: one tap a criterion, tapped again none; a rubric kept is chosen for another hand-out, and taken off', async ({
  somebody,
}) => {
  const { teacher } = await handedInQuestions(server, () => somebody(TABLET), pdf)
  await makeRubric(teacher)
  await level(teacher, 'Says why', /^there/).tap()
  await expect(teacher.getByTestId('sum')).toHaveText('2½ of 10½')
  await level(teacher, 'Says why', /^there/).tap()
  await expect(teacher.getByTestId('sum')).toHaveText('0 of 10½')
  await teacher.getByRole('button', { name: 'Change the rubric' }).tap()
  await teacher.getByRole('button', { name: 'No rubric' }).tap()
  await expect(teacher.getByTestId('sum')).toHaveText('0 of 6')
  await teacher.getByRole('button', { name: 'Use a rubric' }).tap()
  await teacher.getByRole('button', { name: /^Telling how/ }).tap()
  await teacher.getByRole('button', { name: 'Use this rubric' }).tap()
  await expect(teacher.getByTestId('sum')).toHaveText('0 of 10½')
})
