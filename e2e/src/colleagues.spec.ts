import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { handedInQuestions } from './fixtures/questions.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithPen, expectInk, expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])

test('a colleague comes in by a link; both mark one copy, see each other’s marks at once, and tell their ink apart', async ({
  somebody,
}) => {
  const { teacher, lesson } = await handedInQuestions(server, somebody, pdf)
  const marit = await somebody()
  await marit.context().addCookies(await teacher.context().cookies())
  await marit.goto(`${server.url}/class/${lesson.classId}`)
  await button(marit, 'Invite a colleague').click()
  const link = await marit.getByLabel('Give this link to your colleague').inputValue()

  const ilse = await somebody()
  await ilse.goto(link)
  await expect(ilse.getByRole('heading', { name: /^Teach .* with Marit Abara$/ })).toBeVisible()
  await ilse.getByLabel('Your name').fill('Ilse Brandt')
  await ilse.getByLabel('A password').fill('spring tide')
  await button(ilse, 'Begin').click()
  await expect(ilse.getByText('handed out by Marit Abara')).toBeVisible()
  await ilse.getByRole('link', { name: 'Mark 1' }).click()
  await ilse.locator('main[aria-busy=false]').waitFor()
  await drawWithPen(ilse, along({ x: 100, y: 420 }, { x: 220, y: 430 }))
  await ilse.getByLabel('Marks for question 1').fill('1')
  await ilse.getByLabel('Marks for question 1').blur()
  await expectKept(ilse)

  await expectInk(teacher, { x: 160, y: 425 })
  await expect(teacher.getByLabel('Marks for question 1')).toHaveValue('1')
  // Her copy was open before there was a colleague.
  await teacher.getByLabel('Feedback of another teacher').check()
  await expect(teacher.getByRole('listitem').filter({ hasText: 'another teacher' })).toBeVisible()
  await teacher.reload()
  await teacher.getByLabel('Feedback of Ilse Brandt').check()
  await expect(teacher.getByRole('listitem').filter({ hasText: 'Ilse Brandt' })).toBeVisible()
  await teacher.getByLabel('Marks for question 1').fill('2')
  await teacher.getByLabel('Marks for question 1').blur()
  await expect(ilse.getByLabel('Marks for question 1')).toHaveValue('2')

  // Whoever made the class can end it again, and is asked first.
  await marit.reload()
  const teachers = marit.getByRole('listitem').filter({ hasText: 'Ilse Brandt' })
  await teachers.getByRole('button', { name: 'Remove' }).click()
  await button(marit, 'Keep').click()
  await expect(teachers).toBeVisible()
  await teachers.getByRole('button', { name: 'Remove' }).click()
  await marit.getByRole('dialog').getByRole('button', { name: 'Remove' }).click()
  await expect(teachers).toHaveCount(0)
  await ilse.reload()
  await expect(ilse.getByText(/nothing here for you/i)).toBeVisible()

  // Taken again, it lets nobody in.
  const late = await somebody()
  await late.goto(link)
  await expect(late.getByRole('heading', { name: 'This invitation does not work any more' })).toBeVisible()
})
