import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import type { Browser, Page } from '@playwright/test'
import { furnish } from './demo/furnish.ts'
import { openBrowser } from './setup/browser.ts'
import { buildWeb } from './setup/buildWeb.ts'
import { freePort, startThrowAwayCluster } from './setup/cluster.ts'
import { PROJECT } from './setup/project.ts'
import { startServerProcess } from './setup/serverProcess.ts'

const FOLDER = join(PROJECT, 'docs/screenshots')
const WIDE = { width: 1280, height: 800 }
const TABLET = { width: 820, height: 1180 }

interface View {
  readonly file: string
  readonly person?: string
  readonly size?: typeof WIDE
  /** Students who have the tide table open meanwhile; the last of them has a hand up. */
  readonly besides?: readonly string[]
  /** From the person's first screen to the view. */
  readonly go?: (page: Page) => Promise<unknown>
}

const open = (name: string | RegExp) => (page: Page) => page.getByRole('link', { name }).first().click()

/** One current picture of each main view. */
const VIEWS: readonly View[] = [
  { file: 'door' },
  { file: 'desk', person: 'marit-abara' },
  { file: 'shelf', person: 'marit-abara', go: open('Shelf') },
  {
    file: 'preparing',
    person: 'marit-abara',
    go: async (page) => {
      await open('Shelf')(page)
      await open(/^First page of Curves of the tide/)(page)
      await page.getByRole('button', { name: 'Question 1, 2 marks' }).waitFor()
    },
  },
  {
    file: 'handing-out',
    person: 'marit-abara',
    go: async (page) => {
      await open('Shelf')(page)
      await open('Hand out Curves of the tide')(page)
      const set = (student: string, name: string) =>
        page
          .getByRole('radiogroup', { name: `Set of ${student}` })
          .getByRole('radio', { name })
          .click()
      await set('everybody', 'Harbour')
      for (const student of ['Amaru Mensah', 'Emre Okafor', 'Iris Novotná']) await set(student, 'Shore')
      for (const student of ['Aylin Tamm', 'Freya Vasquez']) await set(student, 'Open sea')
      await page.getByRole('heading', { level: 1 }).scrollIntoViewIfNeeded()
    },
  },
  { file: 'hand-out', person: 'marit-abara', go: open('Reading a tide table') },
  {
    file: 'room',
    person: 'marit-abara',
    besides: ['lotte-lindqvist', 'rafi-kowal', 'amaru-mensah', 'aylin-tamm', 'diego-unger', 'wanda-petrov'],
    go: async (page) => {
      await open('Reading a tide table')(page)
      await open('In the room')(page)
      await page.locator('[data-doing=asks]').waitFor()
      await page
        .getByText(/^writing$/)
        .first()
        .waitFor()
    },
  },
  {
    file: 'front',
    person: 'marit-abara',
    go: async (page) => {
      await open('Reading a tide table')(page)
      await open('In the room')(page)
      await open('Front')(page)
      for (const [name, press] of [
        ['Noor Farrant', 'Show'],
        ['Kofi Grünwald', 'Beside it'],
      ] as const) {
        await page.getByLabel('Whose copy').selectOption({ label: name })
        await page.getByRole('button', { name: press, exact: true }).click()
        await page.getByRole('region', { name }).waitFor()
      }
      await page.getByTestId('front-sheet').nth(1).waitFor()
    },
  },
  {
    file: 'marks-book',
    person: 'marit-abara',
    go: async (page) => {
      await page.getByRole('link', { name: 'Classes' }).click()
      await page.getByRole('link', { name: /Curlew class/ }).click()
      await page.getByRole('link', { name: 'Marks', exact: true }).click()
      await page.getByRole('img', { name: /^Totals/ }).waitFor()
    },
  },
  {
    file: 'shared-copy',
    person: 'marit-abara',
    go: async (page) => {
      await open('Parts of a shore crab')(page)
      await open('Open the pile')(page)
      await page.getByLabel('Who did what').check()
    },
  },
  {
    file: 'marking',
    person: 'marit-abara',
    go: async (page) => {
      await open('Mark 9')(page)
      await page.getByRole('button', { name: 'Next copy' }).click()
      await page.getByRole('heading', { name: 'Bram Castellanos' }).waitFor()
      await page.locator('main[aria-busy=false]').waitFor()
      await page.getByRole('button', { name: 'Remarks' }).click()
      await page.getByText('exact time').first().waitFor()
    },
  },
  {
    file: 'answers',
    person: 'marit-abara',
    go: async (page) => {
      await open('Reading a tide table')(page)
      await open('By question')(page)
      const heap = async (number: number, name: string, marks: string) => {
        await page.getByRole('button', { name: 'Make a heap' }).first().click()
        await page.getByLabel(`Name of heap ${number}`).fill(name)
        await page.keyboard.press('Enter')
        await page.getByLabel(`Marks of heap ${number}`).fill(marks)
        await page.keyboard.press('Enter')
      }
      await page.getByText('They look alike').first().waitFor()
      await heap(1, 'taken away', '2')
      await heap(2, 'just the number', '1½')
      await page.getByLabel('Marks of heap 2').blur()
    },
  },
  {
    file: 'class',
    person: 'marit-abara',
    go: async (page) => {
      await open('Classes')(page)
      await open(/Curlew class/)(page)
    },
  },
  { file: 'tray', person: 'freya-vasquez' },
  { file: 'writing', person: 'lotte-lindqvist', go: open(/Reading a tide table/) },
  {
    file: 'write-large',
    person: 'rafi-kowal',
    size: TABLET,
    go: async (page) => {
      await open(/Reading a tide table/)(page)
      await page.locator('main[aria-busy=false]').waitFor()
      await page.getByRole('button', { name: 'Write large' }).click()
      const strip = (await page.getByTestId('close-up').boundingBox())!
      const way = Array.from({ length: 30 }, (_, step) => ({
        x: strip.x + 60 + step * 9,
        y: strip.y + strip.height * 0.5 + Math.sin(step / 3) * strip.height * 0.2,
      }))
      await page.mouse.move(way[0]!.x, way[0]!.y)
      await page.mouse.down()
      for (const { x, y } of way) await page.mouse.move(x, y)
      await page.mouse.up()
    },
  },
  {
    file: 'speaking',
    person: 'rafi-kowal',
    size: TABLET,
    go: async (page) => {
      await open(/Reading a tide table/)(page)
      await page.locator('main[aria-busy=false]').waitFor()
      await page.getByRole('button', { name: 'Speak' }).click()
      await page.getByRole('button', { name: 'Stop 0:02' }).waitFor()
    },
  },
  { file: 'feedback', person: 'noor-farrant', go: open(/Bearings across the bay/) },
  {
    file: 'talk-through',
    person: 'ottoline-adeyemi',
    size: TABLET,
    go: async (page) => {
      await open(/Tie it, tell it/)(page)
      await page.locator('main[aria-busy=false]').waitFor()
      await page.getByRole('button', { name: 'Watch' }).click()
      const player = page.getByRole('dialog')
      await player.getByRole('button', { name: 'Pause' }).click()
      await player.getByRole('slider', { name: 'Where in the recording' }).fill('6.4')
    },
  },
]

/** `npm run screenshots`: takes every picture in docs/screenshots anew, from the demo. */
export async function run(): Promise<void> {
  mkdirSync(FOLDER, { recursive: true })
  buildWeb()
  const cluster = await startThrowAwayCluster()
  const databaseUrl = cluster.database('screenshots')
  await furnish(databaseUrl)
  const server = await startServerProcess({
    databaseUrl,
    port: await freePort(),
    secret: 'screenshots',
    demo: true,
  })
  // With a microphone that says a tone.
  const browser = await openBrowser(['--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream'])
  try {
    for (const view of VIEWS) await take(browser, server.url, view)
  } finally {
    await browser.close()
    await server.stop()
    cluster.stop()
  }
}

async function take(browser: Browser, url: string, view: View): Promise<void> {
  const { file, person, size = WIDE, besides = [], go } = view
  const students = await browser.newContext({ viewport: WIDE })
  for (const student of besides) await work(await students.newPage(), `${url}/as/${student}/`)
  await students.pages().at(-1)?.getByRole('button', { name: 'Hand up' }).click()
  const context = await browser.newContext({ viewport: size })
  const page = await context.newPage()
  await page.goto(person ? `${url}/as/${person}/` : url)
  if (person) await page.getByRole('button', { name: 'Sign out' }).waitFor()
  await go?.(page)
  await page.getByRole('heading').first().waitFor()
  await painted(page)
  await page.screenshot({ path: join(FOLDER, `${file}.png`) })
  await context.close()
  await students.close()
  console.log(`${file}.png`)
}

/** Opens the tide table as a student. */
async function work(page: Page, url: string): Promise<void> {
  await page.goto(url)
  await open(/Reading a tide table/)(page)
  await page.locator('main[aria-busy=false]').waitFor()
}

/** Waits until everything asked for has come and the papers in sight are drawn and sharp. */
async function painted(page: Page): Promise<void> {
  await page.waitForLoadState('networkidle')
  await page.waitForFunction(() =>
    [...document.querySelectorAll('canvas[role=img], [data-testid=page] canvas[data-layer=paper]')].every(
      (canvas) => {
        const { width, height } = canvas as HTMLCanvasElement
        if (width === 0 || (canvas as HTMLElement).getBoundingClientRect().top > innerHeight) return true
        const { data } = (canvas as HTMLCanvasElement).getContext('2d')!.getImageData(0, 0, width, height)
        for (let at = 0; at < data.length; at += 4) if (data[at + 3]! > 0 && data[at]! < 150) return true
        return false
      },
    ),
  )
  // The sharp drawing follows the first one; two frames after the worker is idle it is there.
  await page.evaluate(() => new Promise((done) => setTimeout(done, 1500)))
}
