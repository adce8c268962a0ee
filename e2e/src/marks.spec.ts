import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { handedInQuestions } from './fixtures/questions.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import {
  along,
  button,
  drawWithMouse,
  drawWithPen,
  expectColour,
  expectKept,
  onScreen,
} from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])

const handedIn = (somebody: () => Promise<Page>) => handedInQuestions(server, somebody, pdf)

test('a copy is marked by keys alone: what the key says is taken, halves are typed, too much is impossible, and the student sees it when it is handed back', async ({
  somebody,
}) => {
  const { teacher, student } = await handedIn(somebody)
  const field = (label: string) => teacher.getByLabel(`Marks for question ${label}`)
  await expect(teacher.getByText('2 without marks')).toBeVisible()
  // Level with the question, wherever the page goes.
  const level = async () => {
    const at = await onScreen(teacher, { x: 50, y: 400 })
    return Math.abs((await field('2').boundingBox())!.y - at.y)
  }
  expect(await level()).toBeLessThan(4)
  await teacher.keyboard.press('+')
  await expect.poll(level).toBeLessThan(4)

  await teacher.keyboard.press('m')
  await expect(field('1')).toBeFocused()
  await expect(teacher.getByText('1/1 right')).toBeVisible()
  await teacher.keyboard.press('k')
  await expect(field('1')).toHaveValue('2')
  await teacher.keyboard.press('Enter')
  await expect(field('2')).toBeFocused()
  await teacher.keyboard.type('9')
  await expect(teacher.getByText('At most 4.')).toBeVisible()
  await teacher.keyboard.press('Enter')
  await expect(teacher.getByTestId('sum')).toHaveText('2 of 6')
  await field('2').fill('1,5')
  await teacher.keyboard.press('ArrowUp')
  await expect(field('2')).toHaveValue('2')
  await teacher.keyboard.press('ArrowDown')
  await expect(teacher.getByTestId('sum')).toHaveText('3½ of 6')
  await expect(teacher.getByRole('navigation', { name: 'Pile' }).getByText('3½')).toBeVisible()

  await teacher.keyboard.type('4')
  await teacher.keyboard.press('Escape')
  await expect(field('2')).toHaveValue('1½')

  // Undone and done again as ink is, and not cleared away with it; the student sees none of it.
  await field('2').blur()
  await button(teacher, 'View').click()
  await button(teacher, 'Clear what is mine').click()
  await teacher.keyboard.press('Escape')
  await expect(teacher.getByTestId('sum')).toHaveText('3½ of 6')
  await teacher.keyboard.press('Control+z')
  await expect(teacher.getByTestId('sum')).toHaveText('4 of 6')
  await teacher.keyboard.press('Control+y')
  await expect(teacher.getByTestId('sum')).toHaveText('3½ of 6')
  await expectKept(teacher)
  await student.reload()
  await expect(student.getByText('This is with')).toBeVisible()
  await expect(student.getByText('of 6 marks')).toHaveCount(0)

  await button(teacher, 'Hand back').click()
  await expect(student.getByText('3½ of 6 marks')).toBeVisible()
  await expect(button(student, 'Page 1, with feedback')).toBeVisible()
})

test('the last question leads to the next copy; what the key says is taken for all at once, and taken away again', async ({
  somebody,
}) => {
  const { teacher } = await handedIn(somebody)
  const field = (label: string) => teacher.getByLabel(`Marks for question ${label}`)
  await button(teacher, 'Take what the key says: 1').click()
  await expect(teacher.getByTestId('sum')).toHaveText('2 of 6')
  await field('1').fill('')
  await field('1').press('Enter')
  await expect(field('2')).toBeFocused()
  await expect(teacher.getByTestId('sum')).toHaveText('0 of 6')
  await teacher.keyboard.press('f')
  await teacher.keyboard.press('Enter')
  await expect(field('1')).toBeFocused()
  await teacher.keyboard.type('½')
  await teacher.keyboard.press('Enter')
  await expect(teacher.getByRole('heading', { name: 'Rafi Kowal' })).toBeVisible()
  await expect(teacher.getByTestId('sum')).toHaveText('0 of 6')
})

test('signs are put down by key at the question and by a tap, give their marks and take them away, and are the student’s when handed back', async ({
  somebody,
}) => {
  const { teacher, student } = await handedIn(somebody)
  const field = (label: string) => teacher.getByLabel(`Marks for question ${label}`)
  const MADDER = [168, 58, 46]
  // In the area of the question whose marks are being given, at its right: the long leg of the tick.
  await teacher.keyboard.press('m')
  await teacher.keyboard.press('t')
  const tick = { x: 336.1, y: 153.2 }
  await expectColour(teacher, tick, MADDER, 3)
  await expect(field('1')).toHaveValue('')

  // A sign that gives marks: chosen once, kept for the next visit.
  await button(teacher, 'Half').click()
  await button(teacher, 'Half').click()
  await button(teacher, '½').click()
  await drawWithPen(teacher, [{ x: 120, y: 440 }])
  await expect(field('2')).toHaveValue('½')
  await drawWithMouse(teacher, [{ x: 160, y: 440 }])
  await expect(field('2')).toHaveValue('1')
  await button(teacher, 'Undo').click()
  await expect(field('2')).toHaveValue('½')
  await button(teacher, 'Redo').click()
  await expect(field('2')).toHaveValue('1')

  // Taken away, its marks go with it.
  await button(teacher, 'Pick up').click()
  await drawWithMouse(teacher, [{ x: 160, y: 440 }])
  await button(teacher, 'Take away').click()
  await expect(field('2')).toHaveValue('½')
  await button(teacher, 'Undo').click()
  await expect(field('2')).toHaveValue('1')
  await button(teacher, 'Rub out').click()
  await drawWithMouse(teacher, along({ x: 152, y: 440 }, { x: 190, y: 440 }))
  await expect(field('2')).toHaveValue('½')

  // A wave under what was gone round.
  await button(teacher, 'Wavy line').click()
  await drawWithMouse(teacher, along({ x: 100, y: 300 }, { x: 220, y: 310 }))
  await expectKept(teacher)
  await teacher.reload()
  await expect(teacher.locator('main[aria-busy=false]')).toBeVisible()
  await expectColour(teacher, tick, MADDER, 3)
  await expect(button(teacher, 'Half, gives ½')).toBeVisible()
  await student.reload()
  await expect(student.getByText('This is with')).toBeVisible()
  await expectColour(student, tick, [255, 255, 255])

  await button(teacher, 'Hand back').click()
  await expect(student.getByText('½ of ½ marks')).toHaveCount(0)
  await expectColour(student, tick, MADDER, 3)
})

test('a student goes through what came back piece by piece, answers it, and the teacher sees what was said', async ({
  somebody,
}) => {
  const { teacher, student } = await handedIn(somebody)
  await drawWithPen(teacher, along({ x: 80, y: 420 }, { x: 160, y: 424 }))
  await teacher.keyboard.press('m')
  await teacher.keyboard.type('1½')
  await teacher.keyboard.press('t')
  await teacher.keyboard.press('Enter')
  await expectKept(teacher)
  await button(teacher, 'Hand back').click()

  const row = student.getByRole('region', { name: 'What came back' })
  await expect(row.getByText('1 of 2')).toBeVisible()
  await expect(row.getByText('Question 1 · 1½ of 2')).toBeVisible()
  const framed = async (at: { x: number; y: number }) => {
    const [frame, place] = [await student.getByTestId('framed').boundingBox(), await onScreen(student, at)]
    return (
      frame!.x < place.x &&
      frame!.x + frame!.width > place.x &&
      frame!.y < place.y &&
      frame!.y + frame!.height > place.y
    )
  }
  await expect.poll(() => framed({ x: 334, y: 155 })).toBe(true)
  await button(student, 'Done').click()
  await student.keyboard.press('n')
  await expect(row.getByText('2 of 2')).toBeVisible()
  await expect.poll(() => framed({ x: 120, y: 422 })).toBe(true)
  await button(student, 'Answer').click()
  await student.getByLabel('Your answer').fill('I counted twice')
  await student.getByLabel('Your answer').press('Enter')
  await expect(row.getByText('You: “I counted twice”')).toBeVisible()
  await expectKept(student)

  // It stays: after a reload, and for the teacher, level with the question.
  await student.reload()
  await expect(row.getByText('1 of 2')).toBeVisible()
  await expect(button(student, 'Done')).toHaveAttribute('aria-pressed', 'true')
  const margin = teacher.getByRole('complementary', { name: 'Marks' })
  await expect(margin.getByText('Lotte: “I counted twice”')).toBeVisible()
  await expect(margin.getByText('done 1 of 1')).toBeVisible()

  // Put away, and there again; in another go it is worked on with what came back in sight.
  await button(student, 'Close this row').click()
  await expect(row).toHaveCount(0)
  await button(student, 'View').click()
  await button(student, 'What came back').click()
  await expect(row.getByText('1 of 2')).toBeVisible()
  await button(teacher, 'Another go …').click()
  await button(teacher, 'Hand back now').click()
  await expect(student.getByText('asks for another go')).toBeVisible()
  await student.keyboard.press('Escape')
  await expect(row.getByText('1 of 2')).toBeVisible()
  // What was said is not undone like what was written: that is what was made last.
  await button(student, 'Undo').click()
  await expect(student.getByLabel('How high')).toHaveValue('')
  await expect(button(student, 'Undo')).toBeDisabled()
  await expect(button(student, 'Done')).toHaveAttribute('aria-pressed', 'true')

  // The second go is with the teacher: what was said stays, and nothing more is said to it.
  await button(student, 'Hand in').click()
  await button(student, 'Hand in anyway').click()
  await expect(student.getByText('This is with')).toBeVisible()
  await expect(row).toHaveCount(0)
  await expectKept(student)
  await expect(margin.getByText('Lotte: “I counted twice”')).toBeVisible()

  // What is other than in the round before is shown in its place, and the end of each round can be seen.
  await expect(teacher.getByTestId('gone')).toHaveCount(0)
  await teacher.getByLabel('What changed since round 1').check()
  await expect(teacher.getByText('gone in 1 place')).toBeVisible()
  const [frame, place] = [
    (await teacher.getByTestId('gone').boundingBox())!,
    await onScreen(teacher, { x: 100, y: 130 }),
  ]
  expect(place.x > frame.x && place.x < frame.x + frame.width).toBe(true)
  expect(place.y > frame.y && place.y < frame.y + frame.height).toBe(true)
  await teacher.getByLabel('What changed since round 1').uncheck()
  await expect(teacher.getByTestId('gone')).toHaveCount(0)
  await button(teacher, 'View').click()
  await button(teacher, 'Look back').click()
  const slider = teacher.getByLabel('How far back')
  const now = await slider.inputValue()
  await teacher.getByRole('radio', { name: 'The end of round 1' }).click()
  expect(Number(await slider.inputValue())).toBeLessThan(Number(now))
})

test('the teacher’s own steps: arrow keys give what was chosen; one more question is drawn from the view menu', async ({
  somebody,
}) => {
  const { teacher } = await handedInQuestions(server, somebody, pdf)
  const field = teacher.getByLabel('Marks for question 2')
  await button(teacher, 'View').click()
  await teacher.getByRole('radiogroup', { name: 'Arrow keys give' }).getByRole('radio', { name: '¼' }).click()
  await teacher.keyboard.press('Escape')
  await field.fill('2')
  await field.press('ArrowUp')
  await expect(field).toHaveValue('2¼')
  await field.press('ArrowDown')
  await field.press('ArrowDown')
  await expect(field).toHaveValue('1¾')
  await teacher.keyboard.press('Escape')

  await button(teacher, 'View').click()
  await button(teacher, 'Draw questions').click()
  await drawWithPen(teacher, along({ x: 60, y: 230 }, { x: 300, y: 320 }))
  await teacher.keyboard.type('1')
  await teacher.keyboard.press('Enter')
  await expect(teacher.getByLabel('Marks for question 3')).toBeVisible()
  await expect(teacher.getByTestId('sum')).toHaveText('1¾ of 7')
})
