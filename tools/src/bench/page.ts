import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { bringUpToDate, connect, Keeper } from '@hand-back/server'
import { chromium, type Page } from '@playwright/test'
import { BROWSER_OPTIONS } from '../setup/browser.ts'
import { WEB_ROOT } from '../setup/buildWeb.ts'
import { freePort } from '../setup/cluster.ts'
import { quietContext } from '../setup/quietContext.ts'
import { startServerProcess } from '../setup/serverProcess.ts'
import { type Figure, percentile } from './figure.ts'
import { furnishCopies } from './rows.ts'
import { adding, handwriting } from './strokes.ts'

const MANY = 2000
const MOVES = 240

/** The page one writes on, in a real browser: wet ink over much kept ink, moving it, opening it, fetching the screens. */
export async function pageFigures(databaseUrl: string): Promise<Figure[]> {
  const connection = connect(databaseUrl, () => {})
  await bringUpToDate(connection)
  const context = quietContext(connection)
  const { students, copies, pages } = await furnishCopies(context, 2, 1)
  const keeper = new Keeper(context)
  const strokes = handwriting(MANY)
  for (let at = 0; at < MANY; at += 100) {
    await keeper.keep(
      students[1]!,
      copies[1]!,
      strokes.slice(at, at + 100).map((stroke) => adding(pages[0]!.id, [stroke])),
    )
  }
  await connection.close()
  const server = await startServerProcess({
    databaseUrl,
    port: await freePort(),
    secret: 'bench',
    demo: true,
  })
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: [...BROWSER_OPTIONS] })
  try {
    const open = async (index: number) => {
      const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
      await page.request.post(`${server.url}/api/sign-in/demo`, {
        data: { person: students[index]!.id },
        headers: { origin: server.url },
      })
      await page.goto(server.url)
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
    const pan = { empty: await panCost(empty.page), full: await panCost(full.page) }
    return [
      {
        name: `wet ink, a point with ${MANY} strokes on the page`,
        value: wet.full,
        unit: 'ms',
        reference: { name: 'with none', value: wet.empty },
        heldTo: '≤ 1.2 ×',
      },
      {
        name: `moving the page with ${MANY} strokes, a frame (median)`,
        value: pan.full,
        unit: 'ms',
        reference: { name: 'with none', value: pan.empty },
        heldTo: '≤ 1 frame',
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
  } finally {
    await browser.close()
    await server.stop()
  }
}

/** Milliseconds of the main thread for each point of a stroke under way. */
async function wetCost(page: Page): Promise<number> {
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('Performance.enable')
  const busy = async () =>
    (await cdp.send('Performance.getMetrics')).metrics.find(({ name }) => name === 'TaskDuration')!.value
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
  const before = await busy()
  for (let step = 1; step <= MOVES; step++) await send('mouseMoved', step)
  const after = await busy()
  await send('mouseReleased', MOVES)
  await page.keyboard.press('Control+z')
  await cdp.detach()
  return ((after - before) * 1000) / MOVES
}

/** Median milliseconds between frames while the page is moved by keys. */
async function panCost(page: Page): Promise<number> {
  const samples = await page.evaluate(async () => {
    const times: number[] = []
    let last = performance.now()
    for (let frame = 0; frame < 60; frame++) {
      dispatchEvent(new KeyboardEvent('keydown', { key: frame % 20 < 10 ? 'ArrowDown' : 'ArrowUp' }))
      await new Promise(requestAnimationFrame)
      const now = performance.now()
      times.push(now - last)
      last = now
    }
    return times
  })
  return percentile(samples, 0.5)
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
