import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { TABLET } from './fixtures/atWork.ts'
import { atPrinted, typedBox, wordCard } from './fixtures/printed.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithPen, expectInk, inkAt, onScreen, type Place, touch } from './hands/hands.ts'

const server = testServer()
const pdf = await makePdf([{}])

/** How far a box for an answer lies from the corner of its place on the paper: its label stands above it. */
async function fromPlace(page: Page, label: string, at: Place): Promise<number> {
  const box = (await page.getByLabel(label).boundingBox())!
  const place = await onScreen(page, at)
  return Math.round(Math.hypot(box.x - place.x, box.y - place.y))
}

test('Tab to a box out of sight: the page moves to it, and answers stay on their questions; above a keyboard on the screen too', async ({
  somebody,
}) => {
  const { student } = await atPrinted(server, somebody, pdf, [
    typedBox('First', 120),
    typedBox('Second', 700),
    typedBox('Aside', 760, 380),
  ])
  for (let press = 0; press < 4; press++) await student.keyboard.press('+')
  const label = await fromPlace(student, 'First', { x: 60, y: 120 })
  const expectInPlace = (name: string, at: Place) =>
    expect.poll(() => fromPlace(student, name, at)).toBe(label)
  await student.getByLabel('First').focus()
  await student.keyboard.press('Tab')
  await expect(student.getByLabel('Second')).toBeFocused()
  await expect(student.getByLabel('Second')).toBeInViewport({ ratio: 1 })
  await expectInPlace('Second', { x: 60, y: 700 })
  await expectInPlace('First', { x: 60, y: 120 })
  await student.keyboard.press('Tab')
  await expect(student.getByLabel('Aside')).toBeInViewport({ ratio: 1 })
  await expectInPlace('Aside', { x: 380, y: 760 })

  // A keyboard comes up over the lower half.
  const free = 400
  await student.evaluate((height) => {
    Object.defineProperty(visualViewport, 'height', { configurable: true, get: () => height })
    visualViewport!.dispatchEvent(new Event('resize'))
  }, free)
  await expect
    .poll(async () => {
      const { y, height } = (await student.getByLabel('Aside').boundingBox())!
      return y + height
    })
    .toBeLessThan(free)
  await expectInPlace('Aside', { x: 380, y: 760 })
  await student.keyboard.type('ebb')
  await expect(student.getByLabel('Aside')).toHaveValue('ebb')
})

const card = (page: Page, name: string) => page.getByRole('button', { name, exact: true })
const middle = async (page: Page, name: string): Promise<Place> => {
  const { x, y, width, height } = (await card(page, name).first().boundingBox())!
  return { x: x + width / 2, y: y + height / 2 }
}

test('cards land where the finger lets go, however fast; two fingers move the page and no card', async ({
  somebody,
}) => {
  const { student } = await atPrinted(server, somebody, pdf, [wordCard('ebb', 100, 100)], TABLET)
  const from = await middle(student, 'Card: ebb')
  const to = await onScreen(student, { x: 380, y: 420 })
  // All within one frame.
  await Promise.all([
    touch(student, 'touchStart', [from]),
    touch(student, 'touchMove', [{ x: from.x + 20, y: from.y + 10 }]),
    touch(student, 'touchMove', [to]),
    touch(student, 'touchEnd', []),
  ])
  const lies = async () => {
    const { x, y } = await middle(student, 'Card: ebb')
    return Math.hypot(x - to.x, y - to.y)
  }
  await expect.poll(lies).toBeLessThan(2)

  const other = { x: to.x + 120, y: to.y + 40 }
  await touch(student, 'touchStart', [to])
  await touch(student, 'touchMove', [{ x: to.x + 30, y: to.y }])
  await touch(student, 'touchStart', [{ x: to.x + 30, y: to.y }, other])
  await touch(student, 'touchMove', [
    { x: to.x + 30, y: to.y - 60 },
    { x: other.x, y: other.y - 60 },
  ])
  await touch(student, 'touchEnd', [])
  const place = await onScreen(student, { x: 380, y: 420 })
  const { x, y } = await middle(student, 'Card: ebb')
  expect(Math.hypot(x - place.x, y - place.y)).toBeLessThan(2)
})

test('a card too many goes back: dropped on its stack, or rubbed out; a pen writes across cards', async ({
  somebody,
}) => {
  const { student } = await atPrinted(server, somebody, pdf, [wordCard('→', 100, 100, true)])
  const stack = await middle(student, 'Stack: →')
  const pull = async (at: Place) => {
    const to = await onScreen(student, at)
    await student.mouse.move(stack.x, stack.y)
    await student.mouse.down()
    await student.mouse.move(to.x, to.y, { steps: 4 })
    await student.mouse.up()
  }
  await pull({ x: 300, y: 200 })
  await pull({ x: 300, y: 300 })
  await expect(card(student, 'Card: →')).toHaveCount(2)

  const first = await middle(student, 'Card: →')
  await student.mouse.move(first.x, first.y)
  await student.mouse.down()
  await student.mouse.move(stack.x + 10, stack.y + 5, { steps: 4 })
  await student.mouse.up()
  await expect(card(student, 'Card: →')).toHaveCount(1)

  await drawWithPen(student, along({ x: 300, y: 300 }, { x: 400, y: 330 }))
  await expectInk(student, { x: 350, y: 315 })
  await expect(card(student, 'Card: →')).toHaveCount(1)

  await button(student, 'Rub out').click()
  const last = await middle(student, 'Card: →')
  await student.mouse.click(last.x, last.y)
  await expect(card(student, 'Card: →')).toHaveCount(0)
  await button(student, 'Undo').click()
  await expect(card(student, 'Card: →')).toHaveCount(1)
})

test('a card that was drawn before its letters were there is drawn with them when they come', async ({
  somebody,
}) => {
  const { student } = await atPrinted(server, somebody, pdf, [wordCard('ebb', 100, 100)], {
    serviceWorkers: 'block',
  })
  await student.waitForFunction(() => document.fonts.check('16px Andika'))
  const from = await middle(student, 'Card: ebb')
  const to = await onScreen(student, { x: 300, y: 300 })
  await student.mouse.move(from.x, from.y)
  await student.mouse.down()
  await student.mouse.move(to.x, to.y, { steps: 4 })
  await student.mouse.up()
  const face = card(student, 'Card: ebb').locator('canvas')
  const seen = () => face.evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL())
  await expect(face).toHaveCount(1)
  const usual = await seen()

  let come = () => {}
  const coming = new Promise<void>((resolve) => {
    come = resolve
  })
  await student.route(/andika.*woff2/, (route) => coming.then(() => route.continue()))
  await student.reload()
  await expect(face).toHaveCount(1)
  await expect.poll(seen).not.toBe(usual)
  come()
  await expect.poll(seen).toBe(usual)
})

test('a palm on the tabs turns no page; a stroke under way is kept when the page turns all the same', async ({
  somebody,
}) => {
  const two = await makePdf([{}, {}])
  const { student } = await atPrinted(server, somebody, two, [], TABLET)
  const tab = (await button(student, 'Page 2').boundingBox())!
  const on = { x: tab.x + tab.width / 2, y: tab.y + tab.height / 2 }
  const cdp = await student.context().newCDPSession(student)
  const pen = async (type: 'mousePressed' | 'mouseMoved' | 'mouseReleased', at: Place) => {
    const { x, y } = await onScreen(student, at)
    const buttons = type === 'mouseReleased' ? 0 : 1
    await cdp.send('Input.dispatchMouseEvent', {
      type,
      x,
      y,
      button: 'left',
      buttons,
      force: 0.5,
      pointerType: 'pen',
      clickCount: 1,
    })
  }
  await pen('mousePressed', { x: 100, y: 200 })
  for (const at of along({ x: 100, y: 200 }, { x: 200, y: 200 })) await pen('mouseMoved', at)
  await touch(student, 'touchStart', [on], 40)
  await touch(student, 'touchEnd', [])
  await expect(student.getByText('page 1 of 2')).toBeVisible()
  // A palm lies there for as long as one writes.
  const began = Date.now()
  await touch(student, 'touchStart', [on], 40)
  let x = 200
  await expect
    .poll(async () => {
      x += 5
      await pen('mouseMoved', { x, y: 200 })
      return Date.now() - began
    })
    .toBeGreaterThan(900)
  await touch(student, 'touchEnd', [])
  await expect(student.getByText('page 1 of 2')).toBeVisible()
  for (const at of along({ x, y: 200 }, { x: 300, y: 200 })) await pen('mouseMoved', at)
  // Somebody presses a key with the other hand.
  await student.keyboard.press('PageDown')
  await expect(student.getByText('page 2 of 2')).toBeVisible()
  await pen('mouseReleased', { x: 300, y: 200 })
  expect(await inkAt(student, { x: 150, y: 200 })).toBeLessThan(100)
  await student.keyboard.press('PageUp')
  await expectInk(student, { x: 150, y: 200 })
  await expectInk(student, { x: 290, y: 200 })
})

test('a finger that rests just after the pen moves the page once it is plainly a finger', async ({
  somebody,
}) => {
  const { student } = await atPrinted(server, somebody, pdf, [], TABLET)
  for (let press = 0; press < 3; press++) await student.keyboard.press('+')
  await drawWithPen(student, along({ x: 150, y: 300 }, { x: 250, y: 300 }))
  const top = async () => Number(await student.getByTestId('page').getAttribute('data-y'))
  const before = await top()
  let at = await onScreen(student, { x: 200, y: 400 })
  await touch(student, 'touchStart', [at])
  await expect
    .poll(async () => {
      at = { x: at.x, y: at.y - 12 }
      await touch(student, 'touchMove', [at])
      return await top()
    })
    .toBeLessThan(before - 20)
  await touch(student, 'touchEnd', [])
  expect(await inkAt(student, { x: 200, y: 380 })).toBe(0)
})

test('a page is seen again as it was left; a finger that taps twice fits the page', async ({ somebody }) => {
  const two = await makePdf([{}, {}])
  const { student } = await atPrinted(server, somebody, two, [], TABLET)
  const view = () =>
    student.getByTestId('page').evaluate((element) => ({ ...(element as HTMLElement).dataset }))
  const fitted = await view()
  for (let press = 0; press < 3; press++) await student.keyboard.press('+')
  for (let press = 0; press < 3; press++) await student.keyboard.press('ArrowDown')
  const first = await view()
  expect(first.scale).not.toBe(fitted.scale)
  await student.keyboard.press('PageDown')
  await student.keyboard.press('0')
  await expect.poll(async () => (await view()).scale).toBe(fitted.scale)
  await student.keyboard.press('PageUp')
  await expect.poll(view).toEqual(first)

  // Once a pen was seen, fingers move the page.
  await drawWithPen(student, along({ x: 200, y: 400 }, { x: 260, y: 400 }))
  await student.waitForFunction(
    (since) => performance.now() - since > 600,
    await student.evaluate(() => performance.now()),
  )
  const at = await onScreen(student, { x: 300, y: 420 })
  for (let tap = 0; tap < 2; tap++) {
    await touch(student, 'touchStart', [at])
    await touch(student, 'touchEnd', [])
  }
  await expect.poll(async () => (await view()).scale).toBe(fitted.scale)
})
