import { type Context, Keeper } from '@hand-back/server'
import type { Page } from '@playwright/test'
import type { Figure } from './figure.ts'
import { inBrowser } from './inBrowser.ts'
import { furnishCopies } from './rows.ts'
import { adding, handwriting } from './strokes.ts'

const STROKES = 2000
const PAGES = 6
const FRAMES = 60
/** So much slower than this machine are cheap tablets. */
const SLOWED = 6

/** What hands feel on a cheap tablet: the longest that the page does not answer while it is moved, pinched and turned. */
export async function slowFigures(databaseUrl: string): Promise<Figure[]> {
  return inBrowser(databaseUrl, furnish, async (house, { students, copies }) => {
    const page = await house.signedIn(students[0]!)
    await page.goto(`${house.url}/copy/${copies[0]!}`)
    await page.locator('main[aria-busy=false]').waitFor()
    await page.waitForTimeout(3000)
    const cdp = await page.context().newCDPSession(page)
    const figures: Figure[] = []
    for (const [name, hands] of HANDS) {
      await hands(page)
      const longest: number[] = []
      for (const rate of [1, SLOWED]) {
        await cdp.send('Emulation.setCPUThrottlingRate', { rate })
        longest.push(await longestTask(page, () => hands(page)))
      }
      await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 })
      const [quick, slow] = longest as [number, number]
      figures.push(
        {
          name: `${name}, ${STROKES.toLocaleString('en')} strokes on the page: longest task`,
          value: quick,
          unit: 'ms',
          reference: { name: 'a frame', value: 1000 / 60 },
          heldTo: '≤ 50 ms',
        },
        {
          name: `${name}, the CPU slowed ${SLOWED} ×: longest task`,
          value: slow,
          unit: 'ms',
          reference: { name: 'as it is', value: quick },
          heldTo: '≤ 200 ms',
        },
      )
    }
    return figures
  })
}

async function furnish(context: Context) {
  const made = await furnishCopies(context, 1, PAGES)
  const keeper = new Keeper(context)
  const strokes = handwriting(STROKES)
  for (const at of Array.from({ length: STROKES / 100 }, (_, part) => part * 100))
    await keeper.keep(
      made.students[0]!,
      made.copies[0]!,
      strokes.slice(at, at + 100).map((stroke) => adding(made.pages[0]!.id, [stroke])),
    )
  return made
}

const HANDS: readonly (readonly [string, (page: Page) => Promise<void>])[] = [
  ['moving the page', (page) => wheel(page, false)],
  ['pinching it', (page) => wheel(page, true)],
  ['turning pages', turn],
]

/** Frame by frame as a hand does, and then a rest in which the page may draw sharp. */
async function wheel(page: Page, pinches: boolean): Promise<void> {
  await page.evaluate(
    async ({ ctrlKey, count }) => {
      const surface = document.querySelector('[data-testid=page]')!
      for (let frame = 0; frame < count; frame++) {
        const way = frame % 20 < 10 ? 1 : -1
        const deltaY = (ctrlKey ? 12 : 40) * way
        surface.dispatchEvent(
          new WheelEvent('wheel', {
            deltaY,
            ctrlKey,
            clientX: 600,
            clientY: 400,
            bubbles: true,
            cancelable: true,
          }),
        )
        await new Promise(requestAnimationFrame)
      }
    },
    { ctrlKey: pinches, count: FRAMES },
  )
  await page.waitForTimeout(1500)
}

async function turn(page: Page): Promise<void> {
  for (const key of ['PageDown', 'PageDown', 'PageUp', 'PageUp']) {
    await page.keyboard.press(key)
    await page.waitForTimeout(1200)
  }
}

/** The longest task (Long Tasks API) of the main thread while something is done, in milliseconds; at least a frame. */
async function longestTask(page: Page, doing: () => Promise<void>): Promise<number> {
  await page.evaluate(() => {
    const held = globalThis as unknown as { longest: number; watch: PerformanceObserver }
    held.longest = 1000 / 60
    held.watch = new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) held.longest = Math.max(held.longest, duration)
    })
    held.watch.observe({ entryTypes: ['longtask'] })
  })
  await doing()
  return page.evaluate(() => {
    const held = globalThis as unknown as { longest: number; watch: PerformanceObserver }
    held.watch.disconnect()
    return held.longest
  })
}
