import { readFile } from 'node:fs/promises'
import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { readCodes } from '@hand-back/server/test/readCodes.ts'
import { prepareLesson } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'

const server = testServer()
const pdf = await makePdf([{}])

const NAMES = ['Amaru Mensah', 'Freya Vasquez'] as const

test('somebody new asks at the door, is let in, and has what the class has', async ({ somebody }) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES, pdf)
  await teacher.goto(`${server.url}/class/${lesson.classId}`)
  await expect(teacher.getByText(lesson.code)).toBeVisible()

  const petra = await somebody()
  await petra.goto(server.url)
  await petra.getByLabel('Class code').fill(lesson.code)
  await petra.getByRole('button', { name: 'Next' }).click()
  await petra.getByRole('button', { name: 'I am not on the list' }).click()
  await petra.getByLabel('Your name').fill('Petra Falk')
  await petra.getByLabel('A PIN that you can remember').fill('2718')
  await petra.getByRole('button', { name: 'Ask to be let in' }).click()
  await expect(petra.getByRole('heading', { name: 'Hello, Petra Falk' })).toBeVisible()

  await expect(teacher.getByText('Petra Falk asks to be let in.')).toBeVisible()
  await teacher.getByRole('button', { name: 'Let in', exact: true }).click()
  await expect(teacher.getByLabel('Name of Petra Falk')).toBeVisible()
  await expect(petra.getByRole('link', { name: /Reading a tide table/ })).toBeVisible()
})

test('a slip printed for the class signs in on a tablet that somebody else had', async ({ somebody }) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES, pdf)
  await teacher.goto(`${server.url}/class/${lesson.classId}`)
  await teacher.getByRole('button', { name: 'Slips to cut' }).click()
  const saved = teacher.waitForEvent('download')
  await teacher.getByRole('button', { name: 'Make the slips' }).click()
  const codes = await readCodes(await readFile(await (await saved).path()))
  expect(codes).toHaveLength(2)

  const tablet = await somebody({ viewport: { width: 820, height: 1180 }, hasTouch: true })
  await tablet.goto(codes[0]!)
  await expect(tablet.getByRole('heading', { name: /^Are you / })).toBeVisible()
  await tablet.getByRole('button', { name: 'Yes, come in' }).click()
  await expect(tablet.getByRole('heading', { name: 'In your hands' })).toBeVisible()
  const first = (await tablet.locator('header b').textContent()) ?? ''
  await tablet.goto(codes[1]!)
  // Somebody else is signed in here: that is said, and nothing is done without a press.
  await expect(tablet.getByText(`${first} is signed in here now`)).toBeVisible()
  expect((await (await tablet.request.get(`${server.url}/api/me`)).json()).name).toBe(first)
  await tablet.getByRole('button', { name: 'Yes, come in' }).click()
  await expect(tablet.locator('header b')).not.toHaveText(first)
  await tablet.goto(`${server.url}/slip/${'0'.repeat(32)}`)
  await expect(tablet.getByText('This slip does not sign in any more.')).toBeVisible()
})

test('a list is looked at before it is taken over, wrong rows are told, new PINs are shown', async ({
  somebody,
}) => {
  const teacher = await somebody()
  const lesson = await prepareLesson(server, teacher, NAMES, pdf)
  await teacher.goto(`${server.url}/class/${lesson.classId}`)
  await teacher.getByRole('button', { name: 'Bring in a list' }).click()
  const choose = (text: string) =>
    teacher.getByLabel('Choose the list …').setInputFiles({
      name: 'class.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(text, 'latin1'),
    })
  await choose('colour;size\nblue;3')
  await expect(teacher.getByText('Its columns are: colour, size.')).toBeVisible()
  await choose(`First name;Last name\nZ\xe9lie;Rahman\nAmaru;Mensah\n;\nx;${'y'.repeat(99)}`)
  const dialog = teacher.getByRole('dialog')
  await expect(dialog.getByRole('heading', { name: '1 new' })).toBeVisible()
  await expect(dialog.getByText('Zélie Rahman')).toBeVisible()
  await expect(dialog.getByRole('heading', { name: '1 not on the list' })).toBeVisible()
  await expect(dialog.getByText('line 5')).toBeVisible()
  await dialog.getByLabel(/Remove the 1 who are not/).check()
  await dialog.getByRole('button', { name: 'Add one student' }).click()
  await expect(teacher.getByLabel('Name of Zélie Rahman')).toBeVisible()
  await expect(teacher.getByLabel('Name of Freya Vasquez')).toHaveCount(0)
  await expect(teacher.getByText('Write the new PINs down now')).toBeVisible()
})
