import { spawnSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import {
  applyAll,
  emptyPage,
  type HandoutLooks,
  markFor,
  marksIn,
  type Question,
  type SignedEvent,
  sumOf,
} from '@hand-back/core'
import { type Context, Keeper, takeStep } from '@hand-back/server'
import type { Page } from '@playwright/test'
import { type Figure, percentile, timed } from './figure.ts'
import { type BenchHouse, inBrowser } from './inBrowser.ts'
import { furnishCopies } from './rows.ts'
import { adding, handwriting } from './strokes.ts'

const COPIES = 30
const PAGES = 4
const STROKES = 200

/** What a teacher waits for who goes through a pile. */
export async function markingFigures(databaseUrl: string): Promise<Figure[]> {
  return [...(await sumFigures()), ...(await inBrowser(databaseUrl, furnish, pileFigures))]
}

async function furnish(context: Context) {
  const made = await furnishCopies(context, COPIES, PAGES + 1)
  const keeper = new Keeper(context)
  for (const [index, copy] of made.copies.entries()) {
    const student = made.students[index]!
    for (const page of made.pages) await keeper.keep(student, copy, [adding(page.id, handwriting(STROKES))])
    await takeStep(context, student, copy, 'handIn')
  }
  return made
}

async function pileFigures(
  house: BenchHouse,
  { teacher, handout, copies }: Awaited<ReturnType<typeof furnish>>,
): Promise<Figure[]> {
  const page = await house.signedIn(teacher)
  const pictures = await pictureFigures(house, page, handout)
  await page.goto(`${house.url}/handout/${handout}/pile/first`)
  await page.locator('main[aria-busy=false]').waitFor()
  const going: number[] = []
  for (let copy = 1; copy < copies.length; copy++) {
    // As long as it takes at least to look at one.
    await page.waitForTimeout(1000)
    going.push(await untilInk(page, 'n'))
  }
  const again: number[] = []
  for (let copy = 1; copy < copies.length; copy++) {
    await page.waitForTimeout(300)
    again.push(await untilInk(page, 'b'))
  }
  return [
    ...pictures,
    {
      name: `next copy in the pile, ${PAGES} pages × ${STROKES} strokes, to ink on the screen (p95)`,
      value: percentile(going, 0.95),
      unit: 'ms',
      reference: { name: 'a copy seen before', value: percentile(again, 0.95) },
      heldTo: '≤ 150 ms',
    },
  ]
}

/** Milliseconds from a key that opens another copy until that copy's ink is on the screen. */
const untilInk = (page: Page, key: string): Promise<number> =>
  page.evaluate(async (pressed) => {
    const ink = document.querySelector<HTMLCanvasElement>('[data-layer=ink]')!
    const { width, height } = ink
    const part = [width / 2 - 150, 0, 300, height / 2] as const
    const drawn = ink.getContext('2d')!
    const before = document.querySelector('h2')?.textContent
    // No two copies are written alike.
    const inkBefore = drawn.getImageData(...part).data
    const began = performance.now()
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: pressed, bubbles: true }))
    for (;;) {
      await new Promise(requestAnimationFrame)
      const isOther = document.querySelector('h2')?.textContent !== before
      if (!isOther || !document.querySelector('main[aria-busy=false]')) continue
      const now = drawn.getImageData(...part).data
      const isOtherInk = now.some((value, index) => value !== inkBefore[index])
      if (isOtherInk && now.some((value, index) => index % 4 === 3 && value > 0))
        return performance.now() - began
    }
  }, key)

async function pictureFigures({ url }: BenchHouse, page: Page, handout: string): Promise<Figure[]> {
  // Asked for without a browser: it has a machine of its own before a teacher, and would take its part of these two cores.
  const cookie = (await page.context().cookies()).map(({ name, value }) => `${name}=${value}`).join('; ')
  const get = async (path: string) => {
    const answer = await fetch(`${url}/api${path}`, { headers: { cookie } })
    if (!answer.ok) throw new Error(`${path}: ${answer.status}`)
    return Buffer.from(await answer.arrayBuffer())
  }
  const told: HandoutLooks = JSON.parse((await get(`/handouts/${handout}/looks`)).toString())
  // One page more than is measured: with it, what draws and the worksheet's paper are there, as while a class works.
  const [first] = told.pages
  const looks = told.looks.filter(({ page: of }) => of !== first!.id)
  await get(`/copies/${looks[0]!.copy}/pages/${first!.id}/picture`)
  await Promise.all(told.looks.map(({ copy }) => get(`/copies/${copy}/pages/${first!.id}/picture`)))
  const pictures = () =>
    Promise.all(
      looks.map(({ copy, page: of, look }) => get(`/copies/${copy}/pages/${of}/picture?of=${look}`)),
    )
  const began = performance.now()
  await pictures()
  const made = performance.now() - began
  const kept = await timed(pictures, 3)
  const folder = mkdtempSync(join(tmpdir(), 'hand-back-pile-'))
  const file = join(folder, 'pile.pdf')
  writeFileSync(file, await get(`/handouts/${handout}/pdf`))
  const all = await timed(
    () => spawnSync('pdftoppm', ['-cropbox', '-scale-to', '560', file], { maxBuffer: 1e9 }),
    2,
  )
  const poppler = (all * looks.length) / told.looks.length
  rmSync(folder, { recursive: true })
  return [
    {
      name: `small pictures of ${COPIES} copies × ${PAGES} pages, made`,
      value: made,
      unit: 'ms',
      reference: { name: 'poppler alone', value: poppler },
      heldTo: '≤ 2 ×',
    },
    {
      name: 'the same, asked for again',
      value: kept,
      unit: 'ms',
      reference: { name: 'poppler alone', value: poppler },
      heldTo: '≤ 0.5 ×',
    },
  ]
}

const MARKED = 300
const QUESTIONS = 40

/** The marks of many copies summed from their logs, against a plain loop over the same numbers. */
async function sumFigures(): Promise<Figure[]> {
  const page = randomUUID()
  const sheet = [{ id: page, width: 595, height: 842, paper: PLAIN, printed: [] }]
  const questions: Question[] = Array.from({ length: QUESTIONS }, (_, index) => ({
    id: randomUUID(),
    label: String(index + 1),
    fullMarks: 4,
    areas: [{ page, x: 50, y: index * 20, width: 400, height: 18 }],
  }))
  const logs = Array.from({ length: MARKED }, () => {
    const copy = randomUUID()
    return questions.map((question, index): SignedEvent => {
      const { mark } = markFor(copy, 1, question, sheet, (index % 9) * 50)!
      const made = { id: randomUUID(), page, layer: 'feedback', madeAt: 0 } as const
      return { ...made, act: 'add', items: [mark], author: randomUUID(), round: 1 }
    })
  })
  const numbers = logs.map((log) => log.map((_, index) => (index % 9) * 50))
  const summed = () =>
    logs.reduce((all, log) => all + sumOf(questions, marksIn([applyAll(emptyPage, log)])).given, 0)
  const looped = () => {
    let all = 0
    for (const of of numbers) for (const given of of) all += given
    return all
  }
  if (summed() !== looped()) throw new Error('the sums differ')
  return [
    {
      name: `marks of ${MARKED} copies × ${QUESTIONS} questions, summed from their logs`,
      value: await timed(summed),
      unit: 'ms',
      reference: { name: 'a plain loop over the numbers', value: await timed(looped) },
      heldTo: '≤ 200 ms',
    },
  ]
}

const PLAIN = { kind: 'ruled', ruling: { form: 'plain', colour: '#ffffff' } } as const
