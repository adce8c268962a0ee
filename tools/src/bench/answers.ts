import { randomUUID } from 'node:crypto'
import { likelyTogether, type Question, type Stroke } from '@hand-back/core'
import { write } from '@hand-back/core/test/handwriting.ts'
import { madeHand } from '@hand-back/core/test/madeHands.ts'
import { type Context, Keeper, tables, takeStep } from '@hand-back/server'
import type { Page } from '@playwright/test'
import { eq } from 'drizzle-orm'
import { type Figure, percentile, timed } from './figure.ts'
import { type BenchHouse, inBrowser } from './inBrowser.ts'
import { furnishCopies } from './rows.ts'
import { adding } from './strokes.ts'

const COPIES = 300
const SEEN = 30
const ANSWERS = ['5.3 - 0.8 = 4.5 m', '5.3 + 0.8 = 6.1 m', 'it rises 4.5 m', '4.5 m', 'about 5 m', '6.1 m']
const PLACE = { x: 80, y: 140 }

/** One question across hundreds of copies. */
export async function answersFigures(databaseUrl: string): Promise<Figure[]> {
  return [await likenessFigure(), ...(await inBrowser(databaseUrl, furnish, stripFigures))]
}

const answerOf = (copy: number): Stroke[] =>
  write(madeHand(copy, randomUUID), ANSWERS[copy % ANSWERS.length]!, PLACE)

async function likenessFigure(): Promise<Figure> {
  const answers = Array.from({ length: COPIES }, (_, copy) => answerOf(copy))
  const value = await timed(() => void likelyTogether(answers), 3)
  const read = await timed(() => void JSON.parse(JSON.stringify(answers)), 3)
  return {
    name: `which of ${COPIES} handwritten answers look alike`,
    value,
    unit: 'ms',
    reference: { name: 'JSON of the same ink', value: read },
    heldTo: '≤ 3 s',
  }
}

async function furnish(context: Context) {
  const made = await furnishCopies(context, COPIES, 1)
  const keeper = new Keeper(context)
  const page = made.pages[0]!.id
  for (const [index, copy] of made.copies.entries()) {
    const student = made.students[index]!
    await keeper.keep(student, copy, [adding(page, answerOf(index))])
    await takeStep(context, student, copy, 'handIn')
  }
  const area = { page, x: 60, y: 110, width: 460, height: 70 }
  const questions: Question[] = [{ id: randomUUID(), label: '1', fullMarks: 2, areas: [area] }]
  const [handout] = await context.db
    .select({ version: tables.handouts.versionId })
    .from(tables.handouts)
    .where(eq(tables.handouts.id, made.handout))
  await context.db
    .update(tables.worksheetVersions)
    .set({ questions })
    .where(eq(tables.worksheetVersions.id, handout!.version))
  return { ...made, question: questions[0]!.id }
}

async function stripFigures(
  { url, signedIn }: BenchHouse,
  { teacher, handout, copies, question }: Awaited<ReturnType<typeof furnish>>,
): Promise<Figure[]> {
  const page = await signedIn(teacher)
  await page.goto(`${url}/handout/${handout}/pile/${copies[0]}`)
  await page.locator('main[aria-busy=false]').waitFor()
  const shown: number[] = []
  for (let time = 0; time < 4; time++) {
    await page.goto(`${url}/handout/${handout}`)
    await page.getByRole('link', { name: 'By question' }).waitFor()
    await untilFetchedAhead(page)
    shown.push(await untilStrips(page))
  }
  await page.goto(`${url}/handout/${handout}/question/${question}`)
  // Nothing is reckoned or fetched any more.
  await page.getByText('They look alike').first().waitFor()
  const scrolls = await page.evaluate(frames, true)
  const rests = await page.evaluate(frames, false)
  return [
    {
      name: `one question, the first ${SEEN} of ${COPIES} copies asked for, strips in sight drawn after a press`,
      value: percentile(shown.slice(1), 0.5),
      unit: 'ms',
      reference: { name: 'the first time', value: shown[0]! },
      heldTo: '≤ 500 ms',
    },
    {
      name: `${COPIES} strips scrolled at 1000 pixels a second, a frame (median)`,
      value: percentile(scrolls, 0.5),
      unit: 'ms',
      reference: { name: 'at rest', value: percentile(rests, 0.5) },
      heldTo: '≤ 1 frame',
    },
  ]
}

/** The list was read for so long that what it leads to is there. */
const untilFetchedAhead = (page: Page): Promise<void> =>
  page.evaluate(async () => {
    while (!performance.getEntriesByType('resource').some(({ name }) => name.includes('/Answers-')))
      await new Promise(requestAnimationFrame)
  })

/** Milliseconds from the press until every strip in sight shows ink. */
const untilStrips = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    const press = [...document.querySelectorAll('a')].find(
      ({ textContent }) => textContent === 'By question',
    )!
    const began = performance.now()
    press.click()
    for (;;) {
      await new Promise(requestAnimationFrame)
      const inSight = [...document.querySelectorAll<HTMLElement>('[data-strip]')].filter((strip) => {
        const { top, bottom } = strip.getBoundingClientRect()
        return bottom > 110 && top < innerHeight
      })
      const canvases = inSight.map((strip) => strip.querySelector('canvas'))
      // Inline: what runs in the page knows nothing of this file.
      const isDrawn = canvases.every((canvas) => {
        if (!canvas) return false
        const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height)
        return data.some((value, at) => at % 4 === 0 && value < 90)
      })
      if (inSight.length > 5 && isDrawn) return performance.now() - began
    }
  })

/** The times between frames over two seconds, while the list goes past or rests. */
async function frames(scrolls: boolean): Promise<number[]> {
  const list = document.querySelector<HTMLElement>('section[aria-label="Not in a heap yet"]')!
  list.scrollTop = 0
  const times: number[] = []
  let before = performance.now()
  for (let frame = 0; frame < 120; frame++) {
    await new Promise(requestAnimationFrame)
    const now = performance.now()
    times.push(now - before)
    before = now
    if (scrolls) list.scrollTop += 16
  }
  return times
}
