import { drawnCode } from '../paperCode/drawnCode.ts'
import type { PageCode } from '../paperCode/pageCode.ts'
import type { Pixels } from '../photo/pixels.ts'

/** Paints a page's code on a picture of it, `scale` pixels a point. */
export function paintCode({ data, width, height }: Pixels, code: PageCode, scale: number): void {
  const [, dark] = drawnCode(code, { width: width / scale, height: height / scale })
  if (dark?.kind !== 'path') return
  for (const dot of dark.d.split('M').slice(1)) {
    const [left = 0, top = 0, right = 0, , , foot = 0] = dot.split(/[LZ ]/).map(Number)
    for (let y = Math.round(top * scale); y < Math.round(foot * scale); y++)
      for (let x = Math.round(left * scale); x < Math.round(right * scale); x++)
        data.fill(0, (y * width + x) * 4, (y * width + x) * 4 + 3)
  }
}
