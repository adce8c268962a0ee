import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type { Context } from '@hand-back/server'
import { Visitor } from '@hand-back/server/test/visitor.ts'
import type { Page } from '@playwright/test'
import { type Figure, percentile } from './figure.ts'
import { type BenchHouse, inBrowser, mainThread } from './inBrowser.ts'
import { furnishCopies } from './rows.ts'
import { adding, handwriting } from './strokes.ts'

const COPIES = 32
const SECONDS = 12
/** Each writes a stroke so often, in milliseconds. */
const EVERY = 500
/** A processor's clock ticks so often a second (USER_HZ). */
const TICKS = 100

/** A teacher who walks round 32 copies while all write. */
export function roomFigures(databaseUrl: string): Promise<Figure[]> {
  return inBrowser(databaseUrl, (context: Context) => furnishCopies(context, COPIES, 3), measure)
}

async function measure(
  house: BenchHouse,
  { teacher, handout, students, copies, pages }: Awaited<ReturnType<typeof furnishCopies>>,
): Promise<Figure[]> {
  const visitors = await Promise.all(
    students.map(async ({ id }, index) => {
      const visitor = new Visitor(house.url)
      await visitor.post('/sign-in/demo', { person: id })
      await visitor.follow(copies[index]!)
      return visitor
    }),
  )
  const sentAt: number[] = []
  const write = () =>
    Promise.all(
      visitors.map((visitor, writer) =>
        writeOn(visitor, copies[writer]!, pages[0]!.id, writer, writer === 0 ? sentAt : []),
      ),
    )
  try {
    const alone = await processorOf(house.pid, write)
    const page = await house.signedIn(teacher)
    await page.goto(`${house.url}/handout/${handout}/room`)
    await page
      .locator(`[href$="${copies[COPIES - 1]}"] canvas`)
      .first()
      .waitFor()
    await pause(3000)
    const idle = await mainThread(page, () => pause(SECONDS * 1000))
    let served = 0
    const busy = await mainThread(page, async () => {
      served = await processorOf(house.pid, write)
    })
    // Looking costs more than what is looked at: when ink is seen is measured for itself.
    sentAt.length = 0
    await watchInk(page, copies[0]!)
    await write()
    const seenAt = await page.evaluate(() => (globalThis as unknown as { seenAt: number[] }).seenAt)
    const part = (milliseconds: number) => (100 * milliseconds) / (SECONDS * 1000)
    return [
      {
        name: `walking round ${COPIES} copies, 2 strokes a second on each: the teacher's main thread is busy`,
        value: part(busy),
        unit: '%',
        reference: { name: 'while nobody writes', value: part(idle) },
        heldTo: '≤ 15',
      },
      {
        name: 'the server uses of a core',
        value: part(served),
        unit: '%',
        reference: { name: 'while nobody watches', value: part(alone) },
        heldTo: '≤ 20',
      },
      {
        name: 'a stroke is on the teacher’s page after, p95',
        value: percentile(waitsOf(sentAt, seenAt), 0.95),
        unit: 'ms',
        reference: { name: 'the median', value: percentile(waitsOf(sentAt, seenAt), 0.5) },
        heldTo: '≤ 300 ms',
      },
    ]
  } finally {
    for (const visitor of visitors) visitor.leave()
  }
}

async function writeOn(
  visitor: Visitor,
  copy: string,
  page: string,
  writer: number,
  sentAt: number[],
): Promise<void> {
  await pause((writer / COPIES) * EVERY)
  const strokes = handwriting((SECONDS * 1000) / EVERY)
  for (const stroke of strokes) {
    const began = Date.now()
    sentAt.push(began)
    await visitor.keep(copy, [adding(page, [{ ...stroke, id: randomUUID() }])])
    await pause(Math.max(0, EVERY - (Date.now() - began)))
  }
}

/** Notes in the page when ink of a copy was seen to change, looked at all the time. */
function watchInk(page: Page, copy: string): Promise<void> {
  return page.evaluate((id) => {
    const seen: number[] = []
    Object.assign(globalThis, { seenAt: seen })
    const canvas = document.querySelectorAll<HTMLCanvasElement>(`[href$="${id}"] canvas`)[1]!
    let before = -1
    setInterval(() => {
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height)
      let sum = 0
      for (let at = 3; at < data.length; at += 4) sum += data[at]!
      if (before >= 0 && sum !== before) seen.push(Date.now())
      before = sum
    }, 30)
  }, copy)
}

/** From each stroke that was sent to the first change that was seen after it, in milliseconds. */
function waitsOf(sentAt: readonly number[], seenAt: readonly number[]): number[] {
  return sentAt.flatMap((sent, at) => {
    const seen = seenAt.find((time) => time >= sent && time < (sentAt[at + 1] ?? Number.POSITIVE_INFINITY))
    return seen === undefined ? [] : [seen - sent]
  })
}

/** Milliseconds of processor time that a process takes while something is done (proc(5), stat). */
async function processorOf(pid: number, work: () => Promise<unknown>): Promise<number> {
  const taken = () => {
    const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ')
    return ((Number(fields[11]) + Number(fields[12])) * 1000) / TICKS
  }
  const before = taken()
  await work()
  return taken() - before
}

const pause = (milliseconds: number) => new Promise<void>((done) => setTimeout(done, milliseconds))
