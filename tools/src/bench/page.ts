import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { type Context, Keeper } from '@hand-back/server'
import type { Page } from '@playwright/test'
import { WEB_ROOT } from '../setup/buildWeb.ts'
import type { Figure } from './figure.ts'
import { inBrowser, mainThread } from './inBrowser.ts'
import { furnishCopies } from './rows.ts'
import { adding, handwriting } from './strokes.ts'

const MANY = 2000
const MOVES = 240

/** The page one writes on, in a real browser: wet ink over much kept ink, opening it, fetching the screens. */
export async function pageFigures(databaseUrl: string): Promise<Figure[]> {
  return inBrowser(databaseUrl, furnish, async (house, { students }) => {
    const open = async (index: number) => {
      const page = await house.signedIn(students[index]!)
      await page.goto(house.url)
      await page.getByRole('heading', { name: 'To do' }).waitFor()
      const began = performance.now()
      await page.getByRole('link', { name: /Tides/ }).click()
      await page.locator('main[aria-busy=false]').waitFor()
      return { page, took: performance.now() - began }
    }
    const empty = await open(0)
    const full = await open(1)
    // The first drawing of a page warms it up.
    for (const { page } of [empty, full]) await wetCost(page)
    const wet = { empty: await wetCost(empty.page), full: await wetCost(full.page) }
    return [
      {
        name: `wet ink, a point with ${MANY} strokes on the page`,
        value: wet.full,
        unit: 'ms',
        reference: { name: 'with none', value: wet.empty },
        heldTo: '≤ 1.2 ×',
      },
      {
        name: `opening a copy with ${MANY} strokes`,
        value: full.took,
        unit: 'ms',
        reference: { name: 'an empty one', value: empty.took },
        heldTo: '≤ 1 s to first ink',
      },
      await scriptSize(empty.page),
    ]
  })
}

async function furnish(context: Context) {
  const made = await furnishCopies(context, 2, 1)
  const keeper = new Keeper(context)
  const strokes = handwriting(MANY)
  for (let at = 0; at < MANY; at += 100)
    await keeper.keep(
      made.students[1]!,
      made.copies[1]!,
      strokes.slice(at, at + 100).map((stroke) => adding(made.pages[0]!.id, [stroke])),
    )
  return made
}

/** Milliseconds of the main thread for each point of a stroke under way. */
async function wetCost(page: Page): Promise<number> {
  const cdp = await page.context().newCDPSession(page)
  const send = (type: 'mousePressed' | 'mouseMoved' | 'mouseReleased', step: number) =>
    cdp.send('Input.dispatchMouseEvent', {
      type,
      x: 400 + step * 1.5,
      y: 420 + 60 * Math.sin(step / 9),
      button: 'left',
      buttons: type === 'mouseReleased' ? 0 : 1,
      force: 0.5,
      pointerType: 'pen',
      clickCount: 1,
    })
  await send('mousePressed', 0)
  const took = await mainThread(page, async () => {
    for (let step = 1; step <= MOVES; step++) await send('mouseMoved', step)
  })
  await send('mouseReleased', MOVES)
  await page.keyboard.press('Control+z')
  await cdp.detach()
  return took / MOVES
}

/** Script that a student's copy fetches until it is open, compressed; workers come later and beside it. */
async function scriptSize(page: Page): Promise<Figure> {
  const fetched = await page.evaluate(() =>
    performance.getEntriesByType('resource').map(({ name }) => new URL(name).pathname),
  )
  const scripts = fetched.filter((path) => /^\/assets\/(?!paperWorker).*\.js$/.test(path))
  const bytes = [...new Set(scripts)].map((path) => readFileSync(join(WEB_ROOT, path)))
  const total = (list: Uint8Array[]) => list.reduce((sum, each) => sum + each.length, 0) / 1024
  return {
    name: 'script of a student’s first screen, gzip',
    value: total(bytes.map((each) => gzipSync(each))),
    unit: 'KB',
    reference: { name: 'as it is', value: total(bytes) },
    heldTo: '≤ 250 KB',
  }
}
