import { randomUUID } from 'node:crypto'
import { boundsOfItem, loopOf, type Person, pickedBy, type Stroke } from '@hand-back/core'
import { type Context, Keeper } from '@hand-back/server'
import type { Page } from '@playwright/test'
import pg from 'pg'
import { type Figure, percentile, timed } from './figure.ts'
import { type BenchHouse, inBrowser, mainThread } from './inBrowser.ts'
import { furnishCopies } from './rows.ts'
import { adding, handwriting } from './strokes.ts'

const PAN = 5000
const RUBBED = 2000
const OPENED = { pages: 10, strokes: 3000 }
const DAY = 3000
const FRAMES = 60

/** Writing with much ink about: moving the page, rubbing out, loops, opening, and a day without a network. */
export async function writingFigures(databaseUrl: string): Promise<Figure[]> {
  return inBrowser(databaseUrl, furnish, async (house, { students, copies, pages }) => [
    ...(await panFigures(house, students[0]!, copies[0]!)),
    await rubFigure(house, students[1]!, copies[1]!, students[4]!, copies[4]!),
    await loopFigure(),
    await openFigure(house, students[2]!, copies[2]!),
    await dayFigure(house, students[3]!, copies[3]!, pages[0]!.id, databaseUrl),
  ])
}

async function furnish(context: Context) {
  const made = await furnishCopies(context, 5, OPENED.pages)
  const keeper = new Keeper(context)
  const fill = async (index: number, strokes: readonly Stroke[], page: (at: number) => string) => {
    for (let at = 0; at < strokes.length; at += 100)
      await keeper.keep(
        made.students[index]!,
        made.copies[index]!,
        strokes.slice(at, at + 100).map((stroke, more) => adding(page(at + more), [stroke])),
      )
  }
  const first = () => made.pages[0]!.id
  await fill(0, handwriting(PAN), first)
  await fill(1, handwriting(RUBBED), first)
  await fill(2, handwriting(OPENED.strokes), (at) => made.pages[at % OPENED.pages]!.id)
  return made
}

const openCopy = async ({ url }: BenchHouse, page: Page, copy: string) => {
  await page.goto(`${url}/copy/${copy}`)
  await page.locator('main[aria-busy=false]').waitFor()
}

/** Frames while the page is moved and zoomed, beside frames in which one bitmap as large as the window is drawn. */
async function panFigures(house: BenchHouse, person: Person, copy: string): Promise<Figure[]> {
  const figures: Figure[] = []
  for (const ratio of [1, 2]) {
    const page = await house.signedIn(person, ratio)
    await openCopy(house, page, copy)
    await page.waitForFunction(inkShown)
    for (const [name, keys, grows] of [
      ['moving', ['ArrowDown', 'ArrowUp'], 0],
      ['zooming', ['+', '-'], 0.05],
    ] as const) {
      await frames(page, keys)
      figures.push({
        name: `${name} a page with ${PAN.toLocaleString('en')} strokes at ${ratio} ×, a frame (median)`,
        value: await frames(page, keys),
        unit: 'ms',
        reference: {
          name: `drawing one cached bitmap${grows > 0 ? ', larger or smaller' : ''}`,
          value: await bitmapFrames(page, grows),
        },
        heldTo: '≤ 1 frame',
      })
    }
    await page.context().close()
  }
  return figures
}

function inkShown(): boolean {
  const canvas = document.querySelector<HTMLCanvasElement>('canvas[data-layer=ink]')!
  const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height)
  for (let index = 3; index < data.length; index += 400) if (data[index]! > 0) return true
  return false
}

async function frames(page: Page, keys: readonly [string, string]): Promise<number> {
  const samples = await page.evaluate(
    async ({ there, back, count }) => {
      const times: number[] = []
      let last = performance.now()
      for (let frame = 0; frame < count; frame++) {
        const key = frame % 20 < 10 ? there : back
        dispatchEvent(new KeyboardEvent('keydown', { key }))
        await new Promise(requestAnimationFrame)
        const now = performance.now()
        times.push(now - last)
        last = now
      }
      return times
    },
    { there: keys[0], back: keys[1], count: FRAMES },
  )
  return percentile(samples, 0.5)
}

/** `grows`: by how much the bitmap is larger at each frame, or smaller. */
async function bitmapFrames(page: Page, grows: number): Promise<number> {
  const drawing = { count: FRAMES, more: grows }
  const samples = await page.evaluate(async ({ count, more }) => {
    const canvas = document.createElement('canvas')
    canvas.width = innerWidth * devicePixelRatio
    canvas.height = innerHeight * devicePixelRatio
    canvas.style.cssText = `position:fixed;inset:0;width:${innerWidth}px;height:${innerHeight}px;z-index:99`
    document.body.append(canvas)
    const context = canvas.getContext('2d')!
    const bitmap = await createImageBitmap(
      document.querySelector<HTMLCanvasElement>('canvas[data-layer=ink]')!,
    )
    const times: number[] = []
    let last = performance.now()
    for (let frame = 0; frame < count; frame++) {
      context.clearRect(0, 0, canvas.width, canvas.height)
      const scale = 1 + more * Math.abs((frame % 20) - 10)
      context.drawImage(bitmap, 0, (frame % 20) * 7, bitmap.width * scale, bitmap.height * scale)
      await new Promise(requestAnimationFrame)
      const now = performance.now()
      times.push(now - last)
      last = now
    }
    canvas.remove()
    return times
  }, drawing)
  return percentile(samples, 0.5)
}

/** Rubbing out exactly, across a page full of ink and across an empty one: the main thread for each move. */
async function rubFigure(
  house: BenchHouse,
  full: Person,
  fullCopy: string,
  empty: Person,
  emptyCopy: string,
): Promise<Figure> {
  const cost = async (person: Person, copy: string) => {
    const page = await house.signedIn(person)
    await openCopy(house, page, copy)
    await page.keyboard.press('e')
    await page.getByRole('button', { name: 'Rub out' }).click()
    await page.getByRole('radio', { name: 'just where I rub' }).click()
    const going = async () => {
      await page.mouse.move(350, 300)
      await page.mouse.down()
      for (let move = 0; move < FRAMES; move++)
        await page.mouse.move(350 + move * 6, 300 + 60 * Math.sin(move / 5))
      await page.mouse.up()
      await page.keyboard.press('Control+z')
    }
    await going()
    const took = await mainThread(page, going)
    await page.context().close()
    return took / FRAMES
  }
  return {
    name: `rubbing out exactly over ${RUBBED.toLocaleString('en')} strokes, main thread a move`,
    value: await cost(full, fullCopy),
    unit: 'ms',
    reference: { name: 'on an empty page', value: await cost(empty, emptyCopy) },
    heldTo: '≤ 1 frame (16.7 ms)',
  }
}

/** What a loop takes, beside only asking each stroke where it lies. */
async function loopFigure(): Promise<Figure> {
  const strokes = handwriting(RUBBED)
  const way = Array.from({ length: 200 }, (_, index) => {
    const angle = (index / 200) * 2 * Math.PI
    return { x: 300 + 220 * Math.cos(angle), y: 400 + 300 * Math.sin(angle) }
  })
  return {
    name: `a loop of 200 places over ${RUBBED.toLocaleString('en')} strokes`,
    value: await timed(() => pickedBy(strokes, loopOf(way))),
    unit: 'ms',
    reference: { name: 'the bounds of each stroke', value: await timed(() => strokes.map(boundsOfItem)) },
    heldTo: '≤ 1 frame (16.7 ms)',
  }
}

async function openFigure(house: BenchHouse, person: Person, copy: string): Promise<Figure> {
  const page = await house.signedIn(person)
  await page.goto(house.url)
  await page.getByRole('heading', { name: 'In your hands' }).waitFor()
  const { took, asked } = await page.evaluate(openAndAsk, copy)
  await page.context().close()
  return {
    name: `opening ${OPENED.pages} pages with ${OPENED.strokes.toLocaleString('en')} strokes, to first ink`,
    value: took,
    unit: 'ms',
    reference: { name: 'GET of the same bytes', value: asked },
    heldTo: '≤ 1 s',
  }
}

/** In the window: milliseconds from pressing a copy in the tray to its first ink, and of fetching the same bytes. */
async function openAndAsk(copy: string): Promise<{ took: number; asked: number }> {
  const began = performance.now()
  document.querySelector<HTMLElement>(`a[href$="/copy/${copy}"]`)!.click()
  for (let seen = false; !seen; ) {
    await new Promise(requestAnimationFrame)
    const canvas = document.querySelector<HTMLCanvasElement>('canvas[data-layer=ink]')
    if (!canvas || canvas.width === 0) continue
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height)
    for (let index = 3; index < data.length && !seen; index += 400) seen = data[index]! > 0
  }
  const took = performance.now() - began
  await new Promise((done) => setTimeout(done, 3000))
  const asking = performance.now()
  await (await fetch(`/api/copies/${copy}/log`)).arrayBuffer()
  return { took, asked: performance.now() - asking }
}

/** A day's ink that waits on the device is sent when school is in reach again; beside inserting as many rows. */
async function dayFigure(
  house: BenchHouse,
  person: Person,
  copy: string,
  pageId: string,
  databaseUrl: string,
): Promise<Figure> {
  const page = await house.signedIn(person)
  await openCopy(house, page, copy)
  const events = handwriting(DAY).map((stroke) => ({
    ...adding(pageId, [stroke]),
    author: person.id,
    round: 1,
  }))
  await page.evaluate(
    async ({ all, owner, of }) => {
      const open = indexedDB.open('hand-back')
      await new Promise((done) => {
        open.onsuccess = done
      })
      const store = open.result.transaction('outgoing', 'readwrite').objectStore('outgoing')
      for (const event of all) store.add({ person: owner, copy: of, event })
      await new Promise((done) => {
        store.transaction.oncomplete = done
      })
    },
    { all: events, owner: person.id, of: copy },
  )
  const client = new pg.Client(databaseUrl)
  await client.connect()
  const count = async () =>
    (await client.query('SELECT count(*)::int AS n FROM event WHERE copy_id = $1', [copy])).rows[0]
      .n as number
  const began = performance.now()
  await page.reload()
  while ((await count()) < DAY) await new Promise((done) => setTimeout(done, 20))
  const took = performance.now() - began
  const insert = await timed(async () => {
    await client.query('CREATE TEMP TABLE raw (id uuid, body jsonb)')
    for (let at = 0; at < DAY; at += 100)
      await client.query('INSERT INTO raw SELECT * FROM unnest($1::uuid[], $2::jsonb[])', [
        events.slice(at, at + 100).map(() => randomUUID()),
        events.slice(at, at + 100).map((event) => JSON.stringify(event)),
      ])
    await client.query('DROP TABLE raw')
  }, 3)
  await client.end()
  await page.context().close()
  return {
    name: `a day offline, ${DAY.toLocaleString('en')} events sent on return (with opening the page)`,
    value: took,
    unit: 'ms',
    reference: { name: 'inserting as many rows', value: insert },
    heldTo: '≤ 6 s',
  }
}
