import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { handedInQuestions } from './fixtures/questions.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithPen, expectInk, expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])

test('handed back without marks: a student sees what was written, and the marks when they are given, also on a device that read it before', async ({
  somebody,
}) => {
  const { teacher, student } = await handedInQuestions(server, somebody, pdf)
  await drawWithPen(teacher, along({ x: 100, y: 300 }, { x: 300, y: 300 }))
  await teacher.keyboard.press('m')
  await teacher.keyboard.type('1,5')
  await teacher.keyboard.press('Enter')
  await expect(teacher.getByTestId('sum')).toHaveText('1½ of 6')
  await expectKept(teacher)

  // A last look, as it is without.
  await teacher.getByText('Their view').click()
  const steps = teacher.getByRole('region', { name: 'What came back' })
  await expect(steps.getByText('1½ of 2')).toBeVisible()
  await teacher.getByLabel('With the marks').uncheck()
  await expect(steps.getByText('1½ of 2')).toHaveCount(0)
  await expect(steps.getByText('1 of 1')).toBeVisible()

  await teacher.getByRole('banner').getByRole('link').first().click()
  await button(teacher, 'Hand back …').click()
  const dialog = teacher.getByRole('dialog')
  await dialog.getByRole('radio', { name: 'Without' }).click()
  await dialog.getByRole('button', { name: /^Hand back/ }).click()
  await expect(teacher.getByText('One copy went back without marks.')).toBeVisible()

  await expect(student.getByText('has handed this back')).toBeVisible()
  await expectInk(student, { x: 200, y: 300 })
  await expect(student.getByRole('region', { name: 'What came back' }).getByText('1 of 1')).toBeVisible()
  await expect(student.getByText(/1½/)).toHaveCount(0)
  await student.reload()
  await expectInk(student, { x: 200, y: 300 })
  await expect(student.getByText(/1½/)).toHaveCount(0)

  await button(teacher, 'Give its marks').click()
  await expect(student.getByText('1½ of 2 marks')).toBeVisible()
  await expectInk(student, { x: 200, y: 300 })
  await student.reload()
  await expect(student.getByText('1½ of 2 marks')).toBeVisible()
  await expect(teacher.getByText('went back without marks')).toHaveCount(0)
})
