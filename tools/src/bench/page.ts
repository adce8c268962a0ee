import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import type { Stroke } from '@hand-back/core'
import { type Context, Keeper } from '@hand-back/server'
import type { Page } from '@playwright/test'
import { WEB_ROOT } from '../setup/buildWeb.ts'
import type { Figure } from './figure.ts'
import { inBrowser } from './inBrowser.ts'
import { furnishCopies } from './rows.ts'
import { adding, handwriting } from './strokes.ts'
import { wetCost } from './wetCost.ts'

const MANY = 2000
/** A long copy, as a school year's notebook is. */
const LONG = 3000
const PAGES = 10

/** The page one writes on, in a real browser: wet ink over much kept ink, opening it, fetching the screens. */
export async function pageFigures(databaseUrl: string): Promise<Figure[]> {
  return inBrowser(databaseUrl, furnish, async (house, { students }) => {
    const open = async (index: number) => {
      const page = await house.signedIn(students[index]!)
      await page.goto(house.url)
      await page.getByRole('heading', { name: 'In your hands' }).waitFor()
      const began = performance.now()
      await page.getByRole('link', { name: /Tides/ }).click()
      const first = index === 0 ? undefined : await page.waitForFunction(inkShown, undefined, { polling: 50 })
      const firstInk = first ? performance.now() - began : 0
      await page.locator('main[aria-busy=false]').waitFor()
      const took = performance.now() - began
      await settled(page)
      return { page, firstInk, took }
    }
    const empty = await open(0)
    const full = await open(1)
    const long = await open(2)
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
      ...[
        { name: `opening ${PAGES} pages with ${LONG} strokes`, ...long, heldTo: '≤ 1 s' },
        { name: `opening one page with ${MANY} strokes`, ...full, heldTo: '≤ 1 s' },
      ].flatMap(({ name, firstInk, took, heldTo }) => [
        {
          name: `${name}, to first ink`,
          value: firstInk,
          unit: 'ms',
          reference: { name: 'until all of it is there', value: took },
          heldTo,
        },
      ]),
      scriptSize(),
    ]
  })
}

async function furnish(context: Context) {
  const made = await furnishCopies(context, 3, PAGES)
  const keeper = new Keeper(context)
  const fill = async (index: number, page: number, strokes: Stroke[]) => {
    for (let at = 0; at < strokes.length; at += 100)
      await keeper.keep(
        made.students[index]!,
        made.copies[index]!,
        strokes.slice(at, at + 100).map((stroke) => adding(made.pages[page]!.id, [stroke])),
      )
  }
  await fill(1, 0, handwriting(MANY))
  for (let page = 0; page < PAGES; page++) await fill(2, page, handwriting(LONG / PAGES))
  return made
}

/** A device that has just opened its first copy gets ready to work offline; that must not be measured in another's opening. */
async function settled(page: Page): Promise<void> {
  await page.evaluate(async () => void (await navigator.serviceWorker.ready))
  await page.waitForFunction(async () => (await (await caches.open('screens')).keys()).length > 5)
  await page.waitForLoadState('networkidle')
}

/** Whether ink is on the screen, in the middle of the page. */
function inkShown(): boolean {
  const canvas = document.querySelector<HTMLCanvasElement>('canvas[data-layer=ink]')
  if (!canvas || canvas.width === 0) return false
  const { data } = canvas.getContext('2d')!.getImageData(canvas.width / 4, 0, canvas.width / 2, canvas.height)
  return data.some((part) => part > 0)
}

/** The scripts that a page has fetched by now. What is fetched later, ahead of its need, does not keep anybody waiting. */
/**
 * What a student's screens cannot do without, by the manifest of the build. Parts that are fetched later, one by one or
 * to be there without a network, do not count: a slow machine would find them among the others.
 */
function scriptSize(): Figure {
  const manifest: Record<string, { file: string; imports?: string[] }> = JSON.parse(
    readFileSync(join(WEB_ROOT, '.vite/manifest.json'), 'utf8'),
  )
  const needed = new Set<string>()
  const add = (part: string) => {
    if (needed.has(part)) return
    needed.add(part)
    for (const other of manifest[part]!.imports ?? []) add(other)
  }
  for (const entry of ['index.html', 'src/student/StudentScreens.tsx']) add(entry)
  const bytes = [...needed].map((part) => readFileSync(join(WEB_ROOT, manifest[part]!.file)))
  const total = (list: Uint8Array[]) => list.reduce((sum, each) => sum + each.length, 0) / 1024
  return {
    name: 'script of a student’s first screen, gzip',
    value: total(bytes.map((each) => gzipSync(each))),
    unit: 'KB',
    reference: { name: 'as it is', value: total(bytes) },
    heldTo: '≤ 250 KB',
  }
}
