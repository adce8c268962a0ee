import type { Page } from '@playwright/test'
import { mainThread } from './inBrowser.ts'

const MOVES = 240

/** Milliseconds of the main thread for each point of a stroke under way. */
export async function wetCost(page: Page): Promise<number> {
  const cdp = await page.context().newCDPSession(page)
  const send = (type: 'mousePressed' | 'mouseMoved' | 'mouseReleased', step: number) =>
    cdp.send('Input.dispatchMouseEvent', {
      type,
      x: 400 + step * 1.5,
      y: 420 + 60 * Math.sin(step / 9),
      button: 'left',
      buttons: type === 'mouseReleased' ? 0 : 1,
      force: 0.5,
      pointerType: 'pen',
      clickCount: 1,
    })
  await send('mousePressed', 0)
  const took = await mainThread(page, async () => {
    for (let step = 1; step <= MOVES; step++) await send('mouseMoved', step)
  })
  await send('mouseReleased', MOVES)
  await page.keyboard.press('Control+z')
  await cdp.detach()
  return took / MOVES
}
