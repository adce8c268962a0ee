import type { Person } from '@hand-back/core'
import { bringUpToDate, type Context, connect } from '@hand-back/server'
import { type Browser, chromium, type Page } from '@playwright/test'
import { BROWSER_OPTIONS } from '../setup/browser.ts'
import { freePort } from '../setup/cluster.ts'
import { quietContext } from '../setup/quietContext.ts'
import { startServerProcess } from '../setup/serverProcess.ts'

/** A running house with a browser before it. */
export interface BenchHouse {
  readonly url: string
  readonly browser: Browser
  /** Of the server's process. */
  readonly pid: number
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
  const server = await startServerProcess({
    databaseUrl,
    port: await freePort(),
    secret: 'bench',
    demo: true,
  })
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: [...BROWSER_OPTIONS] })
  const { url } = server
  try {
    return await measure(
      {
        url,
        browser,
        pid: server.process.pid!,
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
    await server.stop()
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
