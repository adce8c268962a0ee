import type { Person } from '@hand-back/core'
import { bringUpToDate, type Context, connect } from '@hand-back/server'
import { type Browser, chromium, type Page } from '@playwright/test'
import { BROWSER_OPTIONS } from '../setup/browser.ts'
import { freePort } from '../setup/cluster.ts'
import { quietContext } from '../setup/quietContext.ts'
import { type ServerProcess, startServerProcess } from '../setup/serverProcess.ts'

/** A running house with a browser before it. */
export interface BenchHouse {
  readonly url: string
  readonly browser: Browser
  /** Of the server's process. */
  readonly pid: number
  /** One more server process on the same database. */
  another(): Promise<{ readonly url: string; readonly pid: number }>
  /** A window of somebody who is signed in. `ratio`: device pixels a CSS pixel. */
  signedIn(person: Pick<Person, 'id'>, ratio?: number): Promise<Page>
}

/** Furnishes a database, starts the server and a browser before it, measures, and stops both. */
export async function inBrowser<Furnished, Measured>(
  databaseUrl: string,
  furnish: (context: Context) => Promise<Furnished>,
  measure: (house: BenchHouse, furnished: Furnished) => Promise<Measured>,
): Promise<Measured> {
  const connection = connect(databaseUrl, () => {})
  await bringUpToDate(connection)
  const furnished = await furnish(quietContext(connection))
  await connection.close()
  const servers: ServerProcess[] = []
  const start = async () => {
    const port = await freePort()
    const started = await startServerProcess({ databaseUrl, port, secret: 'bench', demo: true })
    servers.push(started)
    return started
  }
  const server = await start()
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: [...BROWSER_OPTIONS] })
  const { url } = server
  try {
    return await measure(
      {
        url,
        browser,
        pid: server.process.pid!,
        async another() {
          const { url, process } = await start()
          return { url, pid: process.pid! }
        },
        async signedIn({ id }, deviceScaleFactor = 1) {
          const context = await browser.newContext({
            viewport: { width: 1280, height: 800 },
            deviceScaleFactor,
          })
          const page = await context.newPage()
          await page.request.post(`${url}/api/sign-in/demo`, {
            data: { person: id },
            headers: { origin: url },
          })
          return page
        },
      },
      furnished,
    )
  } finally {
    await browser.close()
    for (const each of servers) await each.stop()
  }
}

/** Milliseconds of the main thread that `work` costs. */
export async function mainThread(page: Page, work: () => Promise<void>): Promise<number> {
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('Performance.enable')
  const busy = async () =>
    (await cdp.send('Performance.getMetrics')).metrics.find(({ name }) => name === 'TaskDuration')!.value
  const before = await busy()
  await work()
  const after = await busy()
  await cdp.detach()
  return (after - before) * 1000
}
