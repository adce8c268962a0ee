import { randomUUID } from 'node:crypto'
import { BROWSER_OPTIONS } from '@hand-back/tools/setup/browser.ts'
import { freePort } from '@hand-back/tools/setup/cluster.ts'
import { type ServerProcess, startServerProcess } from '@hand-back/tools/setup/serverProcess.ts'
import {
  type Browser,
  type BrowserContextOptions,
  test as base,
  chromium,
  expect,
  type Page,
} from '@playwright/test'
import pg from 'pg'

/** What the first teacher of a test's school must type. */
export const SETUP_CODE = 'TIDE-2345'

/** The server of a test file, on a database of its own. It can be killed and started again at the same address. */
export class House {
  readonly databaseUrl: string
  readonly port: number
  readonly url: string
  #server: ServerProcess | undefined
  readonly #demo: boolean

  constructor(databaseUrl: string, port: number, demo: boolean) {
    this.databaseUrl = databaseUrl
    this.port = port
    this.url = `http://127.0.0.1:${port}`
    this.#demo = demo
  }

  async start(): Promise<void> {
    this.#server = await startServerProcess({
      databaseUrl: this.databaseUrl,
      port: this.port,
      secret: 'for tests',
      setupCode: SETUP_CODE,
      demo: this.#demo,
    })
  }

  /** Ends the server as a power cut does. */
  async kill(): Promise<void> {
    this.#server!.process.kill('SIGKILL')
    await this.#server!.ended
  }

  async stop(): Promise<void> {
    await this.#server?.stop()
  }

  /** Takes the database away from the server, or gives it back. */
  async letDatabase(answer: boolean): Promise<void> {
    const { pathname } = new URL(this.databaseUrl)
    const admin = new pg.Client(this.databaseUrl.replace(pathname, '/postgres'))
    await admin.connect()
    const name = pathname.slice(1)
    await admin.query(`ALTER DATABASE "${name}" WITH ALLOW_CONNECTIONS ${answer}`)
    if (!answer)
      await admin.query('SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = $1', [name])
    await admin.end()
  }

  /** Looks into the database behind the server. */
  async rows<Row>(query: string, values: unknown[] = []): Promise<Row[]> {
    const client = new pg.Client(this.databaseUrl)
    await client.connect()
    try {
      return (await client.query(query, values)).rows as Row[]
    } finally {
      await client.end()
    }
  }
}

/** Makes a house on the throw-away cluster. `furnish` fills its database before the server starts. */
export async function openHouse(demo = false, furnish?: (url: string) => Promise<void>): Promise<House> {
  const cluster = process.env.TEST_CLUSTER
  if (!cluster) throw new Error('TEST_CLUSTER must name a throw-away cluster; `npm test` starts one')
  const name = `e2e_${randomUUID().replaceAll('-', '')}`
  const admin = new pg.Client(`${cluster}/postgres`)
  await admin.connect()
  await admin.query(`CREATE DATABASE "${name}"`)
  await admin.end()
  await furnish?.(`${cluster}/${name}`)
  const house = new House(`${cluster}/${name}`, await freePort(), demo)
  await house.start()
  return house
}

interface WorkerThings {
  /** One browser for the file, with a microphone that says a tone. */
  chromium: Browser
}

interface TestThings {
  /** Opens a window of somebody with a browser of their own. */
  somebody: (options?: BrowserContextOptions) => Promise<Page>
}

export const test = base.extend<TestThings, WorkerThings>({
  chromium: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright asks for a pattern
    async ({}, use) => {
      const browser = await chromium.launch({
        executablePath: '/usr/bin/chromium',
        args: [...BROWSER_OPTIONS, '--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream'],
      })
      await use(browser)
      await browser.close()
    },
    { scope: 'worker' },
  ],
  somebody: async ({ chromium: browser }, use) => {
    const opened: Page[] = []
    const faults: string[] = []
    await use(async (options = {}) => {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, ...options })
      const page = await context.newPage()
      opened.push(page)
      page.on('pageerror', (error) => faults.push(error.stack ?? error.message))
      return page
    })
    // Whatever else a test looks at: no screen may fail behind it.
    expect(faults).toEqual([])
    for (const page of opened) await page.context().close()
  },
})

export { expect }
