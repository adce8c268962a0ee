import { type Browser, chromium } from '@playwright/test'

const CHROMIUM = '/usr/bin/chromium'

/** What headless Chromium needs on a machine without screen and network. */
export const BROWSER_OPTIONS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

/** Debian's Chromium, headless. */
export function openBrowser(more: readonly string[] = []): Promise<Browser> {
  return chromium.launch({ executablePath: CHROMIUM, args: [...BROWSER_OPTIONS, ...more] })
}
