import type { Pixels } from '../photo/pixels.ts'

/** How far the red, green and blue of a pixel may be from a colour and still be it, together: paper that was scanned is not one white. */
const ALIKE = 30
/** How far around a tap its colour is looked for, in pixels: whoever taps a letter means what it stands on. */
const AROUND = 6

/** Which pixels (1) are of the colour that a tap means, and the one of them that is nearest to it; none in the picture: nothing. */
export function alike(
  pixels: Pixels,
  tap: { readonly x: number; readonly y: number },
): { free: Uint8Array; start: number } | undefined {
  const { data, width, height } = pixels
  const around = indicesAround(pixels, tap)
  if (around.length === 0) return undefined
  const [red, green, blue] = commonest(data, around)
  const free = new Uint8Array(width * height)
  for (let at = 0, byte = 0; at < free.length; at++, byte += 4) {
    const r = data[byte]! - red
    const g = data[byte + 1]! - green
    const b = data[byte + 2]! - blue
    if (r * r + g * g + b * b <= ALIKE * ALIKE) free[at] = 1
  }
  const start = around.find((at) => free[at] === 1)
  return start === undefined ? undefined : { free, start }
}

/** The pixels around a tap, the nearest first. */
function indicesAround({ width, height }: Pixels, tap: { x: number; y: number }): number[] {
  const [cx, cy] = [Math.floor(tap.x), Math.floor(tap.y)]
  const found: { at: number; far: number }[] = []
  for (let y = Math.max(0, cy - AROUND); y <= Math.min(height - 1, cy + AROUND); y++)
    for (let x = Math.max(0, cx - AROUND); x <= Math.min(width - 1, cx + AROUND); x++)
      found.push({ at: y * width + x, far: (x - cx) ** 2 + (y - cy) ** 2 })
  return found.sort((a, b) => a.far - b.far).map(({ at }) => at)
}

/** The mean of those colours of which there are most, told apart in 16 steps of each. */
function commonest(data: Uint8ClampedArray, around: readonly number[]): [number, number, number] {
  const heaps = new Map<number, { count: number; sum: [number, number, number] }>()
  for (const at of around) {
    const [r, g, b] = [data[at * 4]!, data[at * 4 + 1]!, data[at * 4 + 2]!]
    const key = ((r >> 4) << 8) | ((g >> 4) << 4) | (b >> 4)
    const heap = heaps.get(key) ?? { count: 0, sum: [0, 0, 0] }
    heap.count++
    heap.sum[0] += r
    heap.sum[1] += g
    heap.sum[2] += b
    heaps.set(key, heap)
  }
  const most = [...heaps.values()].reduce((a, b) => (b.count > a.count ? b : a))
  return most.sum.map((sum) => sum / most.count) as [number, number, number]
}
