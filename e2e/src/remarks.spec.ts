import { readFileSync } from 'node:fs'
import { makePdf } from '@hand-back/server/test/makePdf.ts'
import { handedInQuestions } from './fixtures/questions.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithPen, expectInk, expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])

test('a remark is written once and put down with two keys: kept, counted, offered first at its question, changed for the next use', async ({
  somebody,
}) => {
  const { teacher } = await handedInQuestions(server, somebody, pdf)
  const field = (label: string) => teacher.getByLabel(`Marks for question ${label}`)
  const find = teacher.getByLabel('Find a remark, or write a new one')
  await teacher.keyboard.press('m')
  await expect(field('1')).toBeFocused()
  await teacher.keyboard.press('r')
  await find.fill('read off the exact time')
  await teacher.getByText('Write “read off the exact time” and keep it').click()
  // One goes on where one was.
  await expect(field('1')).toBeFocused()
  await teacher.keyboard.press('r')
  await expect(teacher.getByRole('list', { name: 'Remarks for question 1' })).toContainText('1 ×')
  await teacher.keyboard.press('1')
  await expect(field('1')).toBeFocused()

  // Ink that was picked up, with marks.
  await drawWithPen(teacher, along({ x: 200, y: 430 }, { x: 260, y: 436 }))
  await button(teacher, 'Pick up').click()
  await teacher.keyboard.press('Control+a')
  await expect(teacher.getByTestId('picked')).toBeVisible()
  await teacher.keyboard.press('Escape')
  await drawWithPen(teacher, [{ x: 230, y: 433 }])
  await button(teacher, 'Keep as a remark').click()
  await teacher.getByLabel('Short name').fill('underlined')
  await teacher.getByLabel('Marks it gives, if any').fill('1')
  await button(teacher, 'Keep').click()
  await expect(teacher.getByText('Kept as “underlined”')).toBeVisible()
  await button(teacher, 'Done').click()
  await field('2').focus()
  await teacher.keyboard.press('r')
  await find.fill('underl')
  await teacher.keyboard.press('Enter')
  await expect(field('2')).toHaveValue('1')
  // At the right of its area, where nothing was written; undone with its marks.
  await expectInk(teacher, { x: 320, y: 410 })
  await field('2').blur()
  await button(teacher, 'Undo').click()
  await expect(field('2')).toHaveValue('')
  await expectInk(teacher, { x: 320, y: 410 }, false)
  await expectKept(teacher)

  // All of them: changed, removed and back, as a file and from one.
  await teacher.goto(`${server.url}/remarks`)
  const row = (name: string) => teacher.getByRole('row', { name: new RegExp(name) })
  await expect(row('read off')).toContainText('2 ×')
  await row('read off').getByRole('button', { name: 'Change' }).click()
  await teacher.getByLabel('Short name').fill('exact time')
  await teacher.getByLabel('Words').fill('Read off the exact time here')
  await button(teacher, 'Keep').click()
  await expect(row('exact time')).toContainText('2 ×')
  await row('underlined').getByRole('button', { name: 'Remove' }).click()
  await expect(row('underlined')).toHaveCount(0)
  await button(teacher, 'Undo').click()
  await expect(row('underlined')).toContainText('+1')
  const saved = teacher.waitForEvent('download')
  await button(teacher, 'As CSV').click()
  const csv = readFileSync(await (await saved).path(), 'utf8')
  expect(csv).toContain('exact time,Read off the exact time here,,,2')
  const list = teacher.getByLabel('A list of remarks')
  await list.setInputFiles({
    name: 'list.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('title,text\na,b\n'),
  })
  await expect(teacher.getByText('needs a column called name')).toBeVisible()
  const good = Buffer.from('name,words,marks\naxes,Label both axes,½\n,without a name,\n')
  await list.setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: good })
  await expect(teacher.getByText('One remark is in your list. 1 left out, the first on line 3')).toBeVisible()
  await expect(row('axes')).toContainText('+½')

  // What was given before stays as it was given.
  await teacher.goBack()
  await expect(teacher.locator('main[aria-busy=false]')).toBeVisible()
  const given = await server.rows<{ text: string }>(
    "SELECT body->'items'->0->>'text' AS text FROM event WHERE body->'items'->0->>'kind' = 'text'",
  )
  expect(given.map(({ text }) => text)).toEqual(['read off the exact time', 'read off the exact time'])
})
