import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { prepareLesson, signInStudent } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { button } from './hands/hands.ts'

const server = testServer()

test('a teacher types the mail address of a student, who chooses what comes to it; what was sent stands in the class', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, ['Amaru Mensah', 'Iris Novotná'], await makePdf([{}]))
  await teacher.goto(`${server.url}/class/${lesson.classId}`)
  const field = teacher.getByLabel('Mail address of Amaru Mensah')
  await field.fill('no address')
  await field.press('Enter')
  await expect(teacher.getByText('That is no mail address.')).toBeVisible()
  await expect(field).toHaveValue('')
  await field.fill('amaru@saltmarsh.example')
  await field.press('Enter')
  await teacher.reload()
  await expect(field).toHaveValue('amaru@saltmarsh.example')
  await teacher.getByRole('link', { name: 'Mail', exact: true }).click()
  await expect(teacher.getByText('This school has no mail server yet')).toBeVisible()
  await expect(teacher.getByText('No mail yet')).toBeVisible()

  const student = await somebody()
  await signInStudent(server, student, lesson, 0)
  await student.goto(server.url)
  await button(student, 'Mail').click()
  await expect(student.getByText('amaru@saltmarsh.example')).toBeVisible()
  const due = student.getByRole('checkbox', { name: /due tomorrow/ })
  const kept = student.waitForResponse(
    (answer) => answer.url().endsWith('/habits') && answer.request().method() === 'PATCH',
  )
  await due.uncheck()
  await kept
  await student.reload()
  await button(student, 'Mail').click()
  await expect(due).not.toBeChecked()
  await expect(student.getByRole('checkbox', { name: /came back/ })).toBeChecked()

  const other = await somebody()
  await signInStudent(server, other, lesson, 1)
  await other.goto(server.url)
  await expect(other.getByRole('heading', { level: 2 }).first()).toBeVisible()
  await expect(button(other, 'Mail')).toHaveCount(0)
})
