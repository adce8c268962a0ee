import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { openCopy, prepareLesson, signInStudent } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithPen, expectInk, expectKept, onScreen } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])

test('a question is pinned to a place, answered, agreed with and done; the teacher sees where, and takes away what hurts', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, ['Amaru Mensah'], pdf)
  const student = await somebody()
  await openCopy(server, student, lesson, 0)
  await button(student, 'Add').click()
  await button(student, 'Pin').click()
  const at = await onScreen(student, { x: 200, y: 160 })
  await student.mouse.click(at.x, at.y)
  await student.getByLabel('What you want to say here').fill('Over the bottom, or over the quay?')
  await button(student, 'Pin it').click()
  await expectKept(student)

  await teacher.goto(`${server.url}/handout/${lesson.handout}`)
  await expect(teacher.getByRole('row', { name: /Amaru Mensah/ })).toContainText('1 pin not done')
  // A list of one's own says which words to be told of.
  await button(teacher, 'Words to be told of').click()
  await teacher.getByRole('dialog').getByRole('textbox').fill('quay\n\n harbour wall \nquay')
  await teacher.getByRole('dialog').getByRole('button', { name: 'Done' }).click()
  await expect(button(teacher, 'Words to be told of (2)')).toBeVisible()
  await expect(teacher.getByRole('row', { name: /Amaru Mensah/ })).toContainText(
    'A pin has a word from your list',
  )
  await teacher.getByRole('link', { name: 'Amaru Mensah', exact: true }).click()
  await expect(teacher.getByRole('button', { name: 'Page 1, with pins' })).toBeVisible()
  const tag = teacher.getByRole('button', { name: 'Pin 1', exact: true }).first()
  // It stands at its place.
  const box = (await tag.boundingBox())!
  const there = await onScreen(teacher, { x: 200, y: 160 })
  expect(Math.abs(box.x - there.x)).toBeLessThan(4)
  expect(Math.abs(box.y + box.height - there.y)).toBeLessThan(4)
  await tag.click()
  const pin = teacher.getByRole('region', { name: 'Pin 1' })
  await expect(pin.getByText('Over the bottom, or over the quay?')).toBeVisible()
  await expect(pin.getByText('Amaru Mensah')).toBeVisible()
  await expect(pin.getByText('From your list of words: quay')).toBeVisible()
  await expect(student.getByText('From your list of words')).toHaveCount(0)
  await pin.getByRole('button', { name: 'Agree' }).click()
  await pin.getByLabel('Your answer').fill('Over the bottom.')
  await teacher.keyboard.press('Enter')

  // The student hears it while at the page.
  const heard = student.getByRole('region', { name: 'Pin 1' })
  await expect(heard.getByText('Over the bottom.', { exact: true })).toBeVisible()
  await expect(heard.getByText('Marit Abara agrees.')).toBeVisible()
  await heard.getByRole('button', { name: 'Done' }).click()
  await expect(student.getByRole('button', { name: 'Pin 1, done, one answer' })).toBeVisible()
  await expect(teacher.getByRole('button', { name: 'Page 1', exact: true })).toBeVisible()

  await pin.getByRole('button', { name: 'Take away what Amaru Mensah said' }).click()
  await expect(student.getByRole('complementary', { name: 'Pinned here' })).toHaveCount(0)
  await expect(student.getByRole('button', { name: /^Pin 1/ })).toHaveCount(0)

  // Undo is for what one made on the page; pins are said.
  await drawWithPen(student, along({ x: 80, y: 300 }, { x: 250, y: 300 }))
  await button(student, 'Undo').click()
  await expectInk(student, { x: 160, y: 300 }, false)
})

test('a pin is put down by keyboard, spoken and drawn to; without a network it waits; switched off it is gone', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, ['Iris Novotná'], pdf)
  const student = await somebody()
  // What says things is fetched soon after a page is open.
  const fetched = student.waitForResponse(/pinParts/)
  await openCopy(server, student, lesson, 0)
  await button(student, 'Add').click()
  await button(student, 'Pin').waitFor()
  await fetched
  await student.context().setOffline(true)
  await button(student, 'Pin').focus()
  await student.keyboard.press('Enter')
  // Its middle, where no place was pressed.
  await student.keyboard.press('Enter')
  await student.keyboard.type('Here it turns.')
  await button(student, 'Pin it').click()
  await student.context().setOffline(false)
  await expectKept(student)
  await student.reload()
  await student.getByRole('button', { name: 'Pin 1', exact: true }).first().click()
  await button(student, 'Answer aloud').click()
  await expect(student.getByRole('button', { name: /^Stop 0:0[1-9]/ })).toBeVisible()
  // What is drawn meanwhile goes with the voice: it is no work.
  await drawWithPen(student, along({ x: 80, y: 200 }, { x: 200, y: 200 }))
  await student.getByRole('button', { name: /^Stop 0/ }).click()
  await button(student, 'Keep').click()
  await expectInk(student, { x: 140, y: 200 }, false)
  const pin = student.getByRole('region', { name: 'Pin 1' })
  await expect(pin.getByRole('button', { name: /^Listen: what You said/ })).toBeVisible()
  await expectKept(student)

  await teacher.goto(`${server.url}/handout/${lesson.handout}/pile/${lesson.students[0]!.copy}`)
  const drawn = teacher.getByTestId('drawn while speaking').locator('path')
  await expect(drawn).toHaveCount(0)
  await teacher.getByRole('button', { name: 'Pin 1, one answer' }).first().click()
  await expect(drawn).toHaveCount(1)
  await teacher.getByRole('button', { name: 'Listen: what Iris Novotná said' }).click()
  await expect(teacher.getByRole('button', { name: 'Pause: what Iris Novotná said' })).toBeVisible()

  await teacher.goto(`${server.url}/handout/${lesson.handout}`)
  await teacher.getByText('Pins on copies').click()
  await expect(student.getByRole('button', { name: /^Pin 1/ })).toHaveCount(0)
  await button(student, 'Add').click()
  await expect(button(student, 'Words')).toBeVisible()
  await expect(button(student, 'Pin')).toHaveCount(0)
})

test('a page that is handed out to be read is talked about: who has said something is counted, and all that is spoken heard in turn', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, ['Amaru Mensah', 'Iris Novotná'], pdf, false)
  const given = await teacher.request.post(`${server.url}/api/handouts`, {
    data: {
      request: crypto.randomUUID(),
      worksheet: lesson.worksheet,
      classes: [{ class: lesson.classId, way: 'read' }],
      opensAt: null,
      dueAt: null,
      directions: '',
      spoken: null,
      counts: false,
    },
    headers: { origin: server.url },
  })
  expect(given.ok()).toBe(true)
  for (const [index, y] of [120, 260].entries()) {
    const student = await somebody()
    await signInStudent(server, student, lesson, index)
    await student.goto(server.url)
    await student.getByRole('link', { name: /Reading a tide table/ }).click()
    await student.locator('main[aria-busy=false]').waitFor()
    await button(student, 'Pin').click()
    const at = await onScreen(student, { x: 200, y })
    await student.mouse.click(at.x, at.y)
    await button(student, 'Say it aloud and pin it').click()
    const bar = student.getByRole('region', { name: 'Recording' })
    await expect(bar).toContainText(/0:0[1-9]/)
    await bar.getByRole('button', { name: 'Stop' }).click()
    await button(student, 'Keep').click()
    const margin = student.getByRole('complementary', { name: 'Pinned here' })
    await expect(margin.getByText(`${index + 1} of 2 have said something.`)).toBeVisible()
    // Whoever has not is not told to the class.
    await expect(margin.getByText('Not yet')).toHaveCount(0)
    await expectKept(student)
    if (index === 0) {
      await teacher.goto(`${server.url}/handout/${(await given.json()).handouts[0]}/pile/first`)
      await teacher.getByText('Not yet', { exact: true }).click()
      await expect(
        teacher.getByRole('complementary', { name: 'Pinned here' }).getByText('Iris Novotná'),
      ).toBeVisible()
    }
  }
  const beside = teacher.getByRole('complementary', { name: 'Pinned here' })
  await expect(beside.getByText('2 of 2 have said something.')).toBeVisible()
  await button(teacher, 'Hear all').click()
  await expect(teacher.getByRole('button', { name: 'Pause: what Amaru Mensah said' })).toBeVisible()
  await expect(teacher.getByRole('button', { name: 'Pause: what Iris Novotná said' })).toBeVisible()
  await expect(teacher.getByRole('button', { name: 'Pin 1', exact: true }).first()).toHaveAttribute(
    'aria-pressed',
    'false',
  )
  await expect(button(teacher, 'Hear all')).toBeVisible()
})
