import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { handedInQuestions } from './fixtures/questions.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithPen, expectColour, expectInk, expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])

const seeAll = async (page: Page) => {
  for (let press = 0; press < 4; press++) await page.keyboard.press('-')
}

test('another go at one question: only its area takes work again, and all else stays to be seen', async ({
  somebody,
}) => {
  const { teacher, student } = await handedInQuestions(server, somebody, pdf)
  await drawWithPen(teacher, along({ x: 100, y: 300 }, { x: 300, y: 300 }))
  await expectKept(teacher)
  await teacher.getByRole('button', { name: 'Another go …' }).click()
  const dialog = teacher.getByRole('dialog')
  await dialog.getByRole('radio', { name: 'Some questions' }).click()
  await expect(dialog.getByRole('button', { name: /^Hand back/ })).toBeDisabled()
  await dialog.getByRole('checkbox', { name: 'Question 2' }).check()
  await dialog.getByRole('button', { name: /^Hand back/ }).click()

  await expect(student.getByText('asks for another go at question 2.')).toBeVisible()
  await expectColour(student, { x: 70, y: 142 }, [30, 43, 58], 14)
  await seeAll(student)
  await expect(student.getByTestId('closed')).toBeVisible()
  await expectInk(student, { x: 200, y: 300 })
  // The box of question 1 is there to be seen, and takes nothing.
  await expect(student.getByLabel('How high')).toHaveCount(0)
  await drawWithPen(student, along({ x: 60, y: 250 }, { x: 300, y: 250 }))
  await expect(student.getByText('only the framed questions take work')).toBeVisible()
  await expectInk(student, { x: 200, y: 250 }, false)
  await drawWithPen(student, along({ x: 60, y: 440 }, { x: 300, y: 440 }))
  await expectInk(student, { x: 200, y: 440 })
  await expectKept(student)
  // What the last round's work was is not undone out of it.
  await student.getByRole('toolbar', { name: 'Writing' }).getByRole('button', { name: 'Undo' }).click()
  await expectInk(student, { x: 200, y: 440 }, false)
  await student.keyboard.press('Control+z')
  await student.keyboard.press('Control+y')
  await expectInk(student, { x: 200, y: 440 })

  // Out of reach, and opened again, it is the same.
  await student.reload()
  await expect(student.getByText('asks for another go at question 2.')).toBeVisible()
  await seeAll(student)
  await expectInk(student, { x: 200, y: 440 })
  await expect(student.getByLabel('How high')).toHaveCount(0)
  // What is empty elsewhere is not missed: this go is not for it.
  await button(student, 'Hand in').click()
  await expect(student.getByText('This is with')).toBeVisible()
  await expect(teacher.getByText('This go was at question 2.')).toBeVisible()
  await teacher.getByRole('button', { name: 'Another go …' }).click()
  await dialog.getByRole('button', { name: /^Hand back/ }).click()
  await expect(student.getByText('asks for another go.')).toBeVisible()
  await expect(student.getByTestId('closed')).toHaveCount(0)
  await expect(student.getByLabel('How high')).toHaveValue('9/2')
})
