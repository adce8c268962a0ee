import { expect, type Page } from '@playwright/test'
import type { Place } from './hands.ts'

/** Waits until a place of the page is blue as a thick pen, or white as paper, in what lies under the ink. */
export async function expectPaper(page: Page, at: Place, colour: 'blue' | 'white'): Promise<void> {
  const seen = async () => {
    const [red = 0, , blue = 0] = await page.getByTestId('page').evaluate((element, { x, y }) => {
      const canvas = element.querySelector<HTMLCanvasElement>('[data-layer=paper]')!
      const ratio = canvas.width / element.clientWidth
      const { scale, x: left, y: top } = (element as HTMLElement).dataset
      const [px, py] = [Number(left) + x * Number(scale), Number(top) + y * Number(scale)]
      return [...canvas.getContext('2d')!.getImageData(px * ratio, py * ratio, 1, 1).data]
    }, at)
    return red > 220 ? 'white' : blue > 140 && red < 90 ? 'blue' : `${red} ${blue}`
  }
  await expect.poll(seen, { message: `${colour} at ${at.x}, ${at.y}` }).toEqual(colour)
}
