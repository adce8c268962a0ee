import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type { Context } from '@hand-back/server'
import { Visitor } from '@hand-back/server/test/visitor.ts'
import type { Page } from '@playwright/test'
import { type Figure, percentile } from './figure.ts'
import { type BenchHouse, inBrowser, mainThread } from './inBrowser.ts'
import { furnishCopies } from './rows.ts'
import { adding, handwriting } from './strokes.ts'
import { wetCost } from './wetCost.ts'

const COPIES = 32
const SECONDS = 12
/** Each writes a stroke so often, in milliseconds. */
const EVERY = 500
/** A processor's clock ticks so often a second (USER_HZ). */
const TICKS = 100

/** A teacher who walks round 32 copies while all write: on one server process, and on two. */
export function roomFigures(databaseUrl: string): Promise<Figure[]> {
  return inBrowser(
    databaseUrl,
    (context: Context) => furnishCopies(context, COPIES, 3),
    async (house, furnished) => {
      const one = await measure(house, [house], furnished)
      const two = await measure(house, [house, await house.another()], furnished)
      return [...one, ...two, await penFigure(house, furnished)]
    },
  )
}

type Furnished = Awaited<ReturnType<typeof furnishCopies>>

/** The class is spread over all servers; its teacher looks through the first. */
async function measure(
  house: BenchHouse,
  servers: readonly { readonly url: string; readonly pid: number }[],
  { teacher, handout, students, copies, pages }: Furnished,
): Promise<Figure[]> {
  const visitors = await Promise.all(
    students.map(async ({ id }, index) => {
      const visitor = new Visitor(servers[index % servers.length]!.url)
      await visitor.post('/sign-in/demo', { person: id })
      await visitor.follow(copies[index]!)
      return visitor
    }),
  )
  const sentAt: number[] = []
  // The one that is looked at is as far away as there is.
  const looked = servers.length - 1
  const write = () =>
    Promise.all(
      visitors.map((visitor, writer) =>
        writeOn(visitor, copies[writer]!, pages[0]!.id, writer, writer === looked ? sentAt : []),
      ),
    )
  const busiest = (work: () => Promise<unknown>) => processorOf(servers, work)
  try {
    const alone = await busiest(write)
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
      served = await busiest(write)
    })
    // Looking costs more than what is looked at: when ink is seen is measured for itself.
    sentAt.length = 0
    await watchInk(page, copies[looked]!)
    await write()
    const seenAt = await page.evaluate(() => (globalThis as unknown as { seenAt: number[] }).seenAt)
    await page.context().close()
    const part = (milliseconds: number) => (100 * milliseconds) / (SECONDS * 1000)
    const on = servers.length === 1 ? '' : `, ${servers.length} server processes`
    return [
      {
        name: `walking round ${COPIES} copies, 2 strokes a second on each${on}: the teacher's main thread is busy`,
        value: part(busy),
        unit: '%',
        reference: { name: 'while nobody writes', value: part(idle) },
        heldTo: '≤ 15',
      },
      {
        name: servers.length === 1 ? 'the server uses of a core' : 'the busier server uses of a core',
        value: part(served),
        unit: '%',
        reference: { name: 'while nobody watches', value: part(alone) },
        heldTo: '≤ 20',
      },
      {
        name: `a stroke is on the teacher’s page${servers.length === 1 ? '' : ', through the other server,'} after, p95`,
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

/** What a point of a student's stroke costs while their teacher has the copy open with them. */
async function penFigure(
  house: BenchHouse,
  { teacher, handout, students, copies }: Furnished,
): Promise<Figure> {
  const student = await house.signedIn(students[COPIES - 1]!)
  await student.goto(`${house.url}/copy/${copies[COPIES - 1]}`)
  await student.locator('main[aria-busy=false]').waitFor()
  await pause(4000)
  await wetCost(student)
  const alone = await wetCost(student)
  const page = await house.signedIn(teacher)
  await page.goto(`${house.url}/handout/${handout}/room/${copies[COPIES - 1]}`)
  await student.getByText('with you').waitFor()
  const watched = await wetCost(student)
  return {
    name: 'a student’s wet ink, a point, while the teacher is with them',
    value: watched,
    unit: 'ms',
    reference: { name: 'while nobody watches', value: alone },
    heldTo: '≤ 1.2 ×',
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

/** Milliseconds of processor time that the busiest of some processes takes while something is done (proc(5), stat). */
async function processorOf(
  processes: readonly { readonly pid: number }[],
  work: () => Promise<unknown>,
): Promise<number> {
  const taken = () =>
    processes.map(({ pid }) => {
      const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ')
      return ((Number(fields[11]) + Number(fields[12])) * 1000) / TICKS
    })
  const before = taken()
  await work()
  return Math.max(...taken().map((after, index) => after - before[index]!))
}

const pause = (milliseconds: number) => new Promise<void>((done) => setTimeout(done, milliseconds))
