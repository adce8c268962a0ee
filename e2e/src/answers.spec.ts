import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Locator, Page } from '@playwright/test'
import { handIn, type Lesson, openCopy } from './fixtures/lesson.ts'
import { handedInQuestions } from './fixtures/questions.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithMouse, drawWithPen, expectInk, expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])
const NAMES = ['Lotte Lindqvist', 'Rafi Kowal', 'Pia Jankauskas', 'Emre Okafor']

/** Four copies: two have the same answer, written in two ways; one is written by hand, one nobody has opened. */
async function fourAnswers(somebody: () => Promise<Page>) {
  const { teacher, lesson } = await handedInQuestions(server, somebody, pdf, NAMES)
  const rafi = await somebody()
  await openCopy(server, rafi, lesson, 1)
  await rafi.getByLabel('How high').fill('4,50')
  await rafi.getByLabel('How high').blur()
  await expectKept(rafi)
  await handIn(rafi)
  const pia = await somebody()
  await openCopy(server, pia, lesson, 2)
  await drawWithPen(pia, along({ x: 100, y: 160 }, { x: 200, y: 175 }))
  await expectKept(pia)
  await handIn(pia)
  await teacher.goto(`${server.url}/handout/${lesson.handout}`)
  await teacher.getByRole('link', { name: 'By question' }).click()
  await expect(teacher.locator('[data-strip]').first()).toBeVisible()
  return { teacher, lesson, pia }
}

/** The copies on which feedback of a kind was put, once for each time. */
const kept = (lesson: Lesson, kind: string): Promise<{ copy: string }[]> =>
  server.rows(
    `SELECT e.copy_id AS copy FROM event e JOIN copy c ON c.id = e.copy_id WHERE c.handout_id = '${lesson.handout}'
     AND e.layer = 'feedback' AND e.body->'items' @> '[{"kind": "${kind}"}]'`,
  )
const strip = (teacher: Page, name: string): Locator =>
  teacher.getByRole('article', { name: new RegExp(`^Answer of ${name}`) })
const marksOf = (teacher: Page, name: string) => teacher.getByLabel(`Marks of ${name}`)

test('equal answers are marked at once, the others by keys; each lies in its copy, and one press undoes them all', async ({
  somebody,
}) => {
  const { teacher, lesson } = await fourAnswers(somebody)
  await expect(teacher.getByText('3 of 4 without marks')).toBeVisible()
  const same = teacher.getByRole('region', { name: '9/2' }).or(teacher.getByRole('region', { name: '4,50' }))
  await expect(same).toContainText('2 copies')
  await same.getByRole('button', { name: '1 more, the same' }).click()
  await same.getByRole('button', { name: 'key: 2' }).first().click()
  await expect(marksOf(teacher, 'Lotte Lindqvist')).toHaveValue('2')
  await expect(marksOf(teacher, 'Rafi Kowal')).toHaveValue('2')
  await expect(teacher.getByText('1 of 4 without marks')).toBeVisible()

  await strip(teacher, 'Pia').focus()
  await teacher.keyboard.press('Enter')
  await expect(marksOf(teacher, 'Pia Jankauskas')).toBeFocused()
  await teacher.keyboard.type('3')
  await expect(teacher.getByText('At most 2.')).toBeVisible()
  await marksOf(teacher, 'Pia Jankauskas').fill('½')
  await teacher.keyboard.press('Enter')
  await expect(teacher.getByText('all have marks')).toBeVisible()
  await expectKept(teacher)
  expect(await kept(lesson, 'mark')).toHaveLength(3)

  // A copy that nobody has opened takes none.
  await strip(teacher, 'Emre').focus()
  await teacher.keyboard.press('f')
  await expect(marksOf(teacher, 'Emre Okafor')).toHaveValue('')

  await teacher.keyboard.press('Control+z')
  await expect(marksOf(teacher, 'Pia Jankauskas')).toHaveValue('')
  await teacher.keyboard.press('Control+z')
  await expect(teacher.getByText('3 of 4 without marks')).toBeVisible()
  await teacher.keyboard.press('Control+y')
  await expect(marksOf(teacher, 'Rafi Kowal')).toHaveValue('2')

  // One key leads to the next question, where nobody has written; back again what was given is there.
  await teacher.keyboard.press('n')
  await expect(teacher.getByRole('heading', { name: 'Question 2' })).toBeVisible()
  await expect(teacher.getByRole('region', { name: 'Nothing written' })).toContainText('4 copies')
  await teacher.keyboard.press('b')
  await expect(teacher.getByText('1 of 4 without marks')).toBeVisible()
  await teacher.goto(`${server.url}/handout/${lesson.handout}/pile/${lesson.students[1]!.copy}`)
  await expect(teacher.getByLabel('Marks for question 1')).toHaveValue('2')
})

test('answers go into heaps by number and by hand; a heap gives marks and a remark to all of it; it is there again', async ({
  somebody,
}) => {
  const { teacher, lesson } = await fourAnswers(somebody)
  await teacher.getByLabel('In which order answers stand').selectOption('by name')
  await strip(teacher, 'Lotte').focus()
  await teacher.keyboard.press('1')
  const heap = (number: number) => teacher.getByRole('region', { name: new RegExp(`^Heap ${number}`) })
  await expect(heap(1)).toContainText('1 copy')
  await teacher.getByLabel('Name of heap 1').fill('half a metre more')
  await teacher.keyboard.press('Enter')
  await teacher.getByLabel('Marks of heap 1').fill('1')
  await teacher.keyboard.press('Enter')
  await expect(marksOf(teacher, 'Lotte Lindqvist')).toHaveValue('1')

  // Who comes into it gets what it gives.
  const from = (await strip(teacher, 'Rafi').boundingBox())!
  const to = (await heap(1).boundingBox())!
  await teacher.mouse.move(from.x + 30, from.y + from.height - 12)
  await teacher.mouse.down()
  await teacher.mouse.move(to.x + to.width / 2, to.y + 20, { steps: 12 })
  await teacher.mouse.up()
  await expect(heap(1)).toContainText('2 copies')
  await expect(marksOf(teacher, 'Rafi Kowal')).toHaveValue('1')
  await heap(1).getByRole('button', { name: 'Remarks' }).click()
  await teacher.getByLabel('Find a remark, or write a new one').fill('Say the unit too.')
  await teacher.keyboard.press('Enter')
  await expect(heap(1)).toContainText('Say the unit too.')
  await strip(teacher, 'Rafi').focus()
  await teacher.keyboard.press('0')
  await expect(heap(1)).toContainText('1 copy')
  await expect(marksOf(teacher, 'Rafi Kowal')).toHaveValue('')
  await expectKept(teacher)

  await teacher.reload()
  await expect(teacher.getByLabel('Name of heap 1')).toHaveValue('half a metre more')
  await expect(marksOf(teacher, 'Lotte Lindqvist')).toHaveValue('1')
  const remarks = await kept(lesson, 'text')
  expect(new Set(remarks.map(({ copy }) => copy))).toEqual(
    new Set([lesson.students[0]!.copy, lesson.students[1]!.copy]),
  )
})

test('a pen writes on the copy itself, a mouse when it may; the copy is opened at that place; chosen ones are at the front without names', async ({
  somebody,
}) => {
  const { teacher, lesson, pia } = await fourAnswers(somebody)
  const paper = strip(teacher, 'Pia').getByTestId('strip-ink')
  await paper.scrollIntoViewIfNeeded()
  // The strip shows the area: from 50, 110, 300 points wide.
  const at = async (x: number, y: number) => {
    const box = (await paper.boundingBox())!
    const scale = box.width / 300
    return { x: box.x + (x - 50) * scale, y: box.y + (y - 110) * scale }
  }
  const pen = await teacher.context().newCDPSession(teacher)
  const dispatch = (type: string, { x, y }: { x: number; y: number }) =>
    pen.send('Input.dispatchMouseEvent', {
      ...({ type, x, y, button: 'left', buttons: 1, pointerType: 'pen', force: 0.6 } as const),
    } as never)
  await dispatch('mousePressed', await at(220, 180))
  for (const place of along({ x: 220, y: 180 }, { x: 300, y: 190 }))
    await dispatch('mouseMoved', await at(place.x, place.y))
  await dispatch('mouseReleased', await at(300, 190))
  await button(teacher, 'Write').click()
  const [a, b] = [await at(70, 140), await at(90, 185)]
  await teacher.mouse.move(a.x, a.y)
  await teacher.mouse.down()
  await teacher.mouse.move(b.x, b.y, { steps: 8 })
  await teacher.mouse.up()
  await strip(teacher, 'Pia').focus()
  await teacher.keyboard.press('t')
  await expectKept(teacher)
  expect(await kept(lesson, 'stroke')).toHaveLength(2)
  expect(await kept(lesson, 'sign')).toHaveLength(1)

  await teacher.keyboard.press(' ')
  await expect(teacher.getByLabel('Choose the answer of Pia Jankauskas')).toBeChecked()
  await button(teacher, 'Show the class: 1').click()
  await expect(teacher.getByText('It is at the front, without names.')).toBeVisible()
  const front = await teacher.context().newPage()
  await front.goto(`${server.url}/handout/${lesson.handout}/front/window`)
  await expect(front.getByTestId('front-sheet')).toHaveCount(1)
  await expect(front.locator('main')).not.toContainText('Pia')
  await front.close()
  await pia.reload()
  await expect(pia.getByText('Your page is at the front.')).toBeVisible()

  await strip(teacher, 'Pia').focus()
  await teacher.keyboard.press('o')
  await expect(teacher.locator('main[aria-busy=false]')).toBeVisible()
  await expectInk(teacher, { x: 260, y: 185 })
  await expectInk(teacher, { x: 80, y: 162 })
  await teacher.goBack()
  await expect(strip(teacher, 'Pia')).toBeVisible()
})

test('what students write meanwhile, and what a colleague gives, is there without asking', async ({
  somebody,
}) => {
  const { teacher, lesson } = await fourAnswers(somebody)
  const emre = await somebody()
  await openCopy(server, emre, lesson, 3)
  await drawWithMouse(emre, along({ x: 90, y: 180 }, { x: 180, y: 185 }))
  await expectKept(emre)
  await expect(strip(teacher, 'Emre').getByRole('img')).toBeVisible()
  const other = await somebody()
  await other.context().addCookies(await teacher.context().cookies())
  await other.goto(`${server.url}/handout/${lesson.handout}/pile/${lesson.students[3]!.copy}`)
  await other.getByLabel('Marks for question 1').fill('1')
  await other.getByLabel('Marks for question 1').blur()
  await expect(marksOf(teacher, 'Emre Okafor')).toHaveValue('1')
})
