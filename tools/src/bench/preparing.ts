import { randomUUID } from 'node:crypto'
import { type Printed, type Sheet, sheet, type WorksheetPage } from '@hand-back/core'
import { type Context, makeFromFiles } from '@hand-back/server'
import type { Page } from '@playwright/test'
import { type Figure, percentile } from './figure.ts'
import { inBrowser, mainThread } from './inBrowser.ts'
import { furnishClass } from './rows.ts'

const PAGES = 100
const THINGS = 500
const FRAMES = 60

/** Preparing a worksheet, in a real browser: opening a long one, and dragging one of many things. */
export async function preparingFigures(databaseUrl: string): Promise<Figure[]> {
  return inBrowser(databaseUrl, furnish, async (house, { teacher, worksheets }) => {
    const page = await house.signedIn(teacher)
    const open = async (worksheet: string) => {
      const began = performance.now()
      await page.goto(`${house.url}/worksheet/${worksheet}`)
      await page.waitForFunction(paperShown)
      return performance.now() - began
    }
    await open(worksheets.short)
    const opening = { long: await open(worksheets.long), short: await open(worksheets.short) }
    await open(worksheets.many)
    const many = await dragCost(page)
    await open(worksheets.one)
    const one = await dragCost(page)
    return [
      {
        name: `opening a worksheet of ${PAGES} pages in preparation`,
        value: opening.long,
        unit: 'ms',
        reference: { name: 'one of a single page', value: opening.short },
        heldTo: '≤ 1.5 × + 0.5 s',
      },
      {
        name: `dragging one of ${THINGS} things, main thread a frame`,
        value: many,
        unit: 'ms',
        reference: { name: 'the only thing', value: one },
        heldTo: '≤ 1 frame (16.7 ms)',
      },
    ]
  })
}

async function furnish(context: Context) {
  const { teacher, pages } = await furnishClass(context, 1, PAGES)
  const make = async (title: string, content: WorksheetPage[]) => {
    const whole: Sheet = sheet.parse({ pages: content, questions: [], keys: {}, sets: [] })
    return (await makeFromFiles(context.db, teacher.id, { title, unit: '', sheet: whole })).id
  }
  const filled = (count: number) => (page: WorksheetPage) => ({
    ...page,
    id: randomUUID(),
    printed: Array.from({ length: count }, (_, index) => typedBox(index)),
  })
  const worksheets = {
    long: await make('Long', pages.map(filled(10))),
    short: await make('Short', pages.slice(0, 1).map(filled(10))),
    many: await make('Many', pages.slice(0, 1).map(filled(THINGS))),
    one: await make('One', pages.slice(0, 1).map(filled(1))),
  }
  return { teacher, worksheets }
}

/** Whether the page's paper is on the screen: not all of it is one colour any more. */
function paperShown(): boolean {
  const canvas = document.querySelector<HTMLCanvasElement>('canvas[data-layer=paper]')
  if (!canvas || canvas.width === 0) return false
  const pixels = new Uint32Array(
    canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height).data.buffer,
  )
  return new Set(pixels.subarray(0, pixels.length)).size > 20
}

/** Boxes in 20 columns; the first lies alone at the top left. */
function typedBox(index: number): Printed<'typed'> {
  return {
    id: randomUUID(),
    kind: 'typed',
    label: '',
    takes: 'line',
    size: 8,
    x: 20 + (index % 20) * 28,
    y: 20 + Math.floor(index / 20) * 30,
    width: 24,
    height: 20,
  }
}

/** Milliseconds of the main thread for each frame while the first thing is dragged by the mouse: the median of three drags. */
async function dragCost(page: Page): Promise<number> {
  const { x, y } = await page.getByTestId('page').evaluate((element) => {
    const { scale, x: left, y: top } = (element as HTMLElement).dataset
    const box = element.getBoundingClientRect()
    return { x: box.left + Number(left) + 32 * Number(scale), y: box.top + Number(top) + 30 * Number(scale) }
  })
  const costs: number[] = []
  for (let drag = 0; drag < 3; drag++) {
    await page.mouse.move(x, y)
    await page.mouse.down()
    await page.mouse.move(x + 10, y + 10)
    costs.push(
      await mainThread(page, async () => {
        for (let frame = 0; frame < FRAMES; frame++) {
          await page.mouse.move(x + 10 + frame * 3, y + 10 + frame * 2)
          await page.evaluate(() => new Promise(requestAnimationFrame))
        }
      }),
    )
    await page.mouse.move(x, y)
    await page.mouse.up()
  }
  return percentile(costs, 0.5) / FRAMES
}
