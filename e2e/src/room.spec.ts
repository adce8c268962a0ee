import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { openCopy, prepareLesson } from './fixtures/lesson.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithMouse, expectInk, expectKept } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}, {}])
const NAMES = ['Noor Farrant', 'Emre Okafor', 'Lotte Lindqvist']

/** A class of three, each with their copy open, and their teacher. */
async function atWork(somebody: () => Promise<Page>) {
  const teacher = await somebody()
  // Her clock is wrong by a day.
  await teacher.addInitScript('{ const now = Date.now; Date.now = () => now() + 86400000 }')
  const lesson = await prepareLesson(server, teacher, NAMES, pdf)
  const students: Page[] = []
  for (const index of NAMES.keys()) {
    const student = await somebody()
    await openCopy(server, student, lesson, index)
    students.push(student)
  }
  const [noor, emre, lotte] = students as [Page, Page, Page]
  return { teacher, lesson, noor, emre, lotte }
}

const drawAt = (page: Page, y: number) => drawWithMouse(page, along({ x: 150, y }, { x: 420, y }))

const card = (teacher: Page, name: string) => teacher.locator('main').getByRole('link', { name })
/** How many pixels of ink a copy in the room shows. */
const inkOf = (teacher: Page, name: string) =>
  card(teacher, name)
    .locator('canvas')
    .last()
    .evaluate((canvas: HTMLCanvasElement) => {
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height)
      let count = 0
      for (let at = 3; at < data.length; at += 4) if (data[at]! > 0) count++
      return count
    })

test('in the room ink appears as it is written, hands are seen in turn by the teacher alone, and pages are followed', async ({
  somebody,
}) => {
  const { teacher, lesson, noor, emre, lotte } = await atWork(somebody)
  await teacher.goto(`${server.url}/handout/${lesson.handout}`)
  await teacher.getByRole('link', { name: 'In the room' }).click()
  for (const name of ['Noor', 'Emre', 'Lotte'])
    await expect(card(teacher, name)).toHaveAttribute('data-doing', /writing|here/)
  await expect.poll(() => inkOf(teacher, 'Noor')).toBe(0)
  await drawAt(noor, 200)
  await expect.poll(() => inkOf(teacher, 'Noor')).toBeGreaterThan(10)
  expect(await inkOf(teacher, 'Emre')).toBe(0)
  await expect(card(teacher, 'Noor')).toHaveAttribute('data-doing', 'writing')

  // Rubbed out it goes, too.
  await button(noor, 'Undo').click()
  await expect.poll(() => inkOf(teacher, 'Noor')).toBe(0)

  await button(lotte, 'Hand up').click()
  await expect(button(lotte, 'Hand is up')).toHaveAttribute('aria-pressed', 'true')
  await expect(card(teacher, 'Lotte')).toHaveAttribute('data-doing', 'asks')
  await expect(card(teacher, 'Lotte')).toContainText(/asks$/)
  await button(emre, 'Hand up').click()
  const waiting = teacher.getByRole('region', { name: 'Needs you' }).getByRole('listitem')
  await expect(waiting).toHaveText([/Lotte Lindqvist/, /Emre Okafor/])
  await expect(noor.getByText(/Lotte|Emre/)).toHaveCount(0)
  await button(teacher, 'Take down the hand of Lotte Lindqvist').click()
  await expect(button(lotte, 'Hand up')).toHaveAttribute('aria-pressed', 'false')
  await button(emre, 'Hand is up').click()
  await expect(waiting).toHaveCount(0)

  // Whoever turns the page or closes it is seen to.
  await emre.keyboard.press('PageDown')
  await expect(card(teacher, 'Emre')).toContainText(/page 2|writing/)
  await noor.close()
  await expect(card(teacher, 'Noor')).toHaveAttribute('data-doing', 'gone')
})

test('one press opens a copy: its student knows, sees help at once, is shown a page, and can hide nothing of it away for ever', async ({
  somebody,
}) => {
  const { teacher, lesson, noor, emre } = await atWork(somebody)
  await teacher.goto(`${server.url}/handout/${lesson.handout}/room`)
  await card(teacher, 'Noor').click()
  await expect(teacher.getByRole('heading', { name: 'Noor Farrant' })).toBeVisible()
  await teacher.locator('main[aria-busy=false]').waitFor()
  await expect(noor.getByText('Marit Abara is with you')).toBeVisible()
  await expect(emre.getByText('Marit Abara is with you')).toHaveCount(0)
  await drawAt(teacher, 250)
  await expectInk(noor, { x: 300, y: 250 })
  // The student goes on writing, and cannot rub out what the teacher wrote.
  await drawAt(noor, 380)
  await expectInk(teacher, { x: 300, y: 380 })
  await noor.keyboard.press('Control+a')
  await noor.keyboard.press('Delete')
  await expectInk(noor, { x: 300, y: 380 }, false)
  await expectInk(noor, { x: 300, y: 250 })

  await button(noor, 'Hide help').click()
  await expectInk(noor, { x: 300, y: 250 }, false)
  await button(noor, 'Show help').click()
  await expectInk(noor, { x: 300, y: 250 })

  // The teacher goes where the student goes, turns away, and shows a page.
  await noor.keyboard.press('PageDown')
  await expect(teacher.getByText('page 2 of 2')).toBeVisible()
  await teacher.keyboard.press('PageUp')
  await expect(teacher.getByText('page 1 of 2')).toBeVisible()
  await button(teacher, 'Look here').click()
  await expect(noor.getByText('page 1 of 2')).toBeVisible()

  await button(teacher, 'Take help away').click()
  await expectInk(noor, { x: 300, y: 250 }, false)
  await expectKept(teacher)
  await teacher.keyboard.press('b')
  await expect(teacher.getByRole('heading', { name: /in the room/ })).toBeVisible()
  await expect(noor.getByText('Marit Abara is with you')).toHaveCount(0)
})

test('seats are put up, names change places by press, by drag and by keys, and the room shows copies there', async ({
  somebody,
}) => {
  const { teacher, lesson } = await atWork(somebody)
  await teacher.goto(`${server.url}/handout/${lesson.handout}/room`)
  await button(teacher, 'Seats').click()
  await button(teacher, 'Groups of four').click()
  const seats = teacher.getByTestId('floor').locator('[data-seat]')
  const names = () => seats.evaluateAll((all) => all.map((each) => each.textContent))
  await expect(seats).toHaveCount(4)
  expect(await names()).toEqual(['Emre Okafor', 'Lotte Lindqvist', 'Noor Farrant', ''])
  // Pressed one after the other.
  await seats.nth(0).click()
  await seats.nth(3).click()
  expect(await names()).toEqual(['', 'Lotte Lindqvist', 'Noor Farrant', 'Emre Okafor'])
  // Dragged onto each other.
  const [from, to] = [await seats.nth(1).boundingBox(), await seats.nth(2).boundingBox()]
  await teacher.mouse.move(from!.x + 20, from!.y + 12)
  await teacher.mouse.down()
  await teacher.mouse.move(to!.x + 30, to!.y + 14, { steps: 5 })
  await teacher.mouse.up()
  expect(await names()).toEqual(['', 'Noor Farrant', 'Lotte Lindqvist', 'Emre Okafor'])
  // By keys; and the table is moved.
  await seats.nth(3).focus()
  await teacher.keyboard.press('Enter')
  await seats.nth(0).focus()
  await teacher.keyboard.press('Enter')
  expect(await names()).toEqual(['Emre Okafor', 'Noor Farrant', 'Lotte Lindqvist', ''])
  await button(teacher, 'Move the table for 4').press('ArrowRight')
  await button(teacher, 'Add a table for 1').click()
  await expect(seats).toHaveCount(5)
  await button(teacher, 'Done').click()

  const at = async (name: string) => (await card(teacher, name).boundingBox())!
  const [emre, noor, lotte] = [await at('Emre'), await at('Noor'), await at('Lotte')]
  expect(noor.x).toBeGreaterThan(emre.x + emre.width * 0.9)
  expect(Math.abs(noor.y - emre.y)).toBeLessThan(2)
  expect(lotte.y).toBeGreaterThan(emre.y + emre.height * 0.9)
  await teacher.reload()
  await expect.poll(async () => (await at('Lotte')).y).toBeCloseTo(lotte.y, 0)
})
