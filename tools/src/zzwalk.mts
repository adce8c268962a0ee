import { openBrowser } from './setup/browser.ts'
import type { Page, Browser } from '@playwright/test'
import { mkdirSync } from 'node:fs'
mkdirSync('/tmp/walk', { recursive: true })
export const URL = 'http://127.0.0.1:4401'
let browser: Browser | undefined
export async function theBrowser() { return (browser ??= await openBrowser(['--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream'])) }
export async function open(who: string, wide = true, more: object = {}): Promise<Page> {
  const b = await theBrowser()
  const context = await b.newContext({ ...(wide ? { viewport: { width: 1280, height: 800 } } : { viewport: { width: 820, height: 1180 }, hasTouch: true }), acceptDownloads: true, permissions: ['microphone', 'camera'], ...more })
  const page = await context.newPage()
  page.setDefaultTimeout(20000)
  page.on('pageerror', (e) => console.log('PAGEERROR', e.message))
  page.on('console', (m) => { if (m.type() === 'error') console.log('CONSOLE', m.text().slice(0, 200)) })
  if (!wide) { const d = await context.newCDPSession(page); await d.send('Emulation.setCPUThrottlingRate', { rate: 6 }) }
  await page.goto(`${URL}/as/${who}/`)
  return page
}
export async function both(name: string, who: string, walk: (page: Page, snap: (step: string) => Promise<void>, wide: boolean) => Promise<void>) {
  for (const wide of [true, false]) {
    if (process.env.ONLY === 'wide' && !wide) continue
    if (process.env.ONLY === 'tab' && wide) continue
    const page = await open(who, wide)
    const snap = async (step: string) => { await page.screenshot({ path: `/tmp/walk/${name}-${step}-${wide ? 'w' : 't'}.png` }) }
    try { await walk(page, snap, wide) } catch (e) { console.log(String(e).slice(0, 1500)); await snap('failed') }
    await page.context().close()
  }
}
