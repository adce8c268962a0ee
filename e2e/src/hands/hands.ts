import { type CDPSession, expect, type Page } from '@playwright/test'

export interface Place {
  readonly x: number
  readonly y: number
}

/** Where a place of the page (points) is in the window (CSS pixels); `surface`: of which page, where two are seen. */
export async function onScreen(page: Page, at: Place, surface = 'page'): Promise<Place> {
  return (await wayOnScreen(page, [at], surface))[0]!
}

/** Where places of the page are in the window, asked of it at once. */
function wayOnScreen(page: Page, way: readonly Place[], surface = 'page'): Promise<Place[]> {
  return page.getByTestId(surface).evaluate((element, places) => {
    const { scale, x: left, y: top } = (element as HTMLElement).dataset
    const box = element.getBoundingClientRect()
    return places.map(({ x, y }) => ({
      x: box.left + Number(left) + x * Number(scale),
      y: box.top + Number(top) + y * Number(scale),
    }))
  }, way)
}

const sessions = new WeakMap<Page, Promise<CDPSession>>()
function session(page: Page): Promise<CDPSession> {
  const made = sessions.get(page) ?? page.context().newCDPSession(page)
  sessions.set(page, made)
  return made
}

/** Places of the page from one end to the other. */
export function along(from: Place, to: Place, steps = 12): Place[] {
  return Array.from({ length: steps + 1 }, (_, index) => ({
    x: from.x + ((to.x - from.x) * index) / steps,
    y: from.y + ((to.y - from.y) * index) / steps,
  }))
}

/** Draws with a pen whose pressure grows from light to firm. Places are points of the page. */
export async function drawWithPen(page: Page, way: readonly Place[]): Promise<void> {
  const cdp = await session(page)
  const places = await wayOnScreen(page, way)
  const send = (
    type: 'mousePressed' | 'mouseMoved' | 'mouseReleased',
    { x, y }: Place,
    buttons: number,
    force: number,
  ) =>
    cdp.send('Input.dispatchMouseEvent', {
      type,
      x,
      y,
      button: 'left',
      buttons,
      force,
      pointerType: 'pen',
      clickCount: 1,
    })
  await send('mousePressed', places[0]!, 1, 0.1)
  for (const [index, place] of places.entries())
    await send('mouseMoved', place, 1, 0.1 + (0.8 * index) / places.length)
  await send('mouseReleased', places.at(-1)!, 0, 0)
}

export async function drawWithMouse(page: Page, way: readonly Place[]): Promise<void> {
  const places = await wayOnScreen(page, way)
  await page.mouse.move(places[0]!.x, places[0]!.y)
  await page.mouse.down()
  for (const { x, y } of places.slice(1)) await page.mouse.move(x, y)
  await page.mouse.up()
}

/** One step of a touch, at places of the window. `size` is the contact's radius: a palm is large. */
export async function touch(
  page: Page,
  type: 'touchStart' | 'touchMove' | 'touchEnd',
  places: readonly Place[],
  size = 8,
): Promise<void> {
  const touchPoints = places.map(({ x, y }, id) => ({ id, x, y, radiusX: size, radiusY: size }))
  await (await session(page)).send('Input.dispatchTouchEvent', { type, touchPoints })
}

export async function drawWithFinger(page: Page, way: readonly Place[], size?: number): Promise<void> {
  const places = await wayOnScreen(page, way)
  await touch(page, 'touchStart', [places[0]!], size)
  for (const place of places.slice(1)) await touch(page, 'touchMove', [place], size)
  await touch(page, 'touchEnd', [])
}

/** How opaque the darkest ink within four pixels of a place of the page is, from 0 to 255. */
export async function inkAt(
  page: Page,
  at: Place,
  layer: 'ink' | 'highlighter' | 'wet' = 'ink',
  surface = 'page',
): Promise<number> {
  return page.getByTestId(surface).evaluate(
    (element, { x, y, name }) => {
      const { scale, x: left, y: top } = (element as HTMLElement).dataset
      const canvas = element.querySelector<HTMLCanvasElement>(`[data-layer=${name}]`)!
      const ratio = canvas.width / element.clientWidth
      const px = Math.round((Number(left) + x * Number(scale)) * ratio)
      const py = Math.round((Number(top) + y * Number(scale)) * ratio)
      const { data } = canvas.getContext('2d')!.getImageData(px - 4, py - 4, 9, 9)
      let most = 0
      for (let index = 3; index < data.length; index += 4) most = Math.max(most, data[index]!)
      return most
    },
    { ...at, name: layer },
  )
}

/** Waits until there is ink at a place, or none; `surface`: of which page, where two are seen. */
export async function expectInk(page: Page, at: Place, there = true, surface = 'page'): Promise<void> {
  await expect
    .poll(() => inkAt(page, at, 'ink', surface).then((alpha) => alpha > 100), {
      message: `ink at ${at.x}, ${at.y}: ${there}`,
    })
    .toBe(there)
}

/**
 * Waits until a place of the page has a colour, in what lies under the ink: red, green, blue from 0 to 255.
 * `around`: so many pixels around it count too, for lines as thin as a pen's.
 */
export async function expectColour(
  page: Page,
  at: Place,
  colour: readonly number[],
  around = 0,
): Promise<void> {
  const seen = () =>
    page.getByTestId('page').evaluate(
      (element, { x, y, around: reach }) => {
        const { scale, x: left, y: top } = (element as HTMLElement).dataset
        const canvas = element.querySelector<HTMLCanvasElement>('[data-layer=paper]')!
        const ratio = canvas.width / element.clientWidth
        const px = Math.round((Number(left) + x * Number(scale)) * ratio)
        const py = Math.round((Number(top) + y * Number(scale)) * ratio)
        const side = reach * 2 + 1
        const { data } = canvas.getContext('2d')!.getImageData(px - reach, py - reach, side, side)
        return Array.from({ length: side * side }, (_, index) => [...data.slice(index * 4, index * 4 + 3)])
      },
      { ...at, around },
    )
  // Pictures are kept small, which changes a colour a little.
  const near = async () =>
    (await seen()).some((pixel) => pixel.every((part, index) => Math.abs(part - colour[index]!) < 8))
  await expect.poll(near, { message: `colour ${colour} at ${at.x}, ${at.y}` }).toBe(true)
}

/** Waits until the sign says that all is kept at school. */
export async function expectKept(page: Page): Promise<void> {
  await expect(page.locator('[data-kept=kept]')).toBeVisible({ timeout: 30_000 })
}

/** The button of just this name. */
/** What is pressed, by its name; one of several is heard as a radio button. */
export const button = (page: Page, name: string) =>
  page.getByRole('button', { name, exact: true }).or(page.getByRole('radio', { name, exact: true }))
