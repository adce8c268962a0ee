import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { openCopy, prepareLesson } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, drawWithPen, expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])

test('the pages of all copies are seen at once, as they are now; a press opens the copy at that page', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, ['Anton Weiss', 'Beatriz Falk'], pdf)
  await teacher.goto(`${server.url}/handout/${lesson.handout}`)
  await teacher.getByRole('radio', { name: 'Pages', exact: true }).click()
  await teacher.getByRole('radio', { name: 'Page 2' }).click()
  const picture = (name: string) => teacher.getByRole('img', { name: `Page 2 of ${name}` })
  const drawn = (name: string) =>
    picture(name).evaluate(
      (image) => (image as HTMLImageElement).complete && (image as HTMLImageElement).naturalWidth > 0,
    )
  await expect.poll(() => drawn('Anton Weiss')).toBe(true)
  await expect.poll(() => drawn('Beatriz Falk')).toBe(true)
  const others = await picture('Beatriz Falk').getAttribute('src')
  const before = await picture('Anton Weiss').getAttribute('src')

  const student = await somebody()
  await openCopy(server, student, lesson, 0)
  await student.keyboard.press('PageDown')
  await drawWithPen(student, along({ x: 100, y: 200 }, { x: 300, y: 220 }))
  await expectKept(student)
  await expect.poll(() => picture('Anton Weiss').getAttribute('src')).not.toBe(before)
  await expect.poll(() => drawn('Anton Weiss')).toBe(true)
  expect(await picture('Beatriz Falk').getAttribute('src')).toBe(others)

  await picture('Anton Weiss').click()
  await expect(teacher.getByRole('heading', { name: 'Anton Weiss' })).toBeVisible()
  await expect(teacher.getByRole('button', { name: 'Page 2' })).toHaveAttribute('aria-current', 'page')
  await teacher.goBack()
  await expect(picture('Anton Weiss')).toBeVisible()
})
