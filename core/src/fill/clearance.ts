/** What one pixel's width is in a clearance. */
export const PIXEL = 3
/** … and one step across a corner. */
const CORNER = 4
const FAR = 65_000

/**
 * How far each free pixel lies from the nearest that is not, and from the edge of the picture, in thirds of a pixel;
 * 0 for those that are not free. Method: the 3-4 distance in two passes (Borgefors 1986), at most 8 % off. Cost: O(pixels).
 */
export function clearance(free: Uint8Array, width: number, height: number): Uint16Array {
  const wide = width + 2
  // A border of pixels that are not free stands around the picture, so that no pixel need be asked whether it lies at the edge.
  const far = new Uint16Array(wide * (height + 2))
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) if (free[y * width + x] === 1) far[(y + 1) * wide + x + 1] = FAR
  for (let y = 1; y <= height; y++)
    for (let x = 1, at = y * wide + 1; x <= width; x++, at++) {
      if (far[at] === 0) continue
      const above = at - wide
      far[at] = Math.min(
        far[at - 1]! + PIXEL,
        far[above]! + PIXEL,
        far[above - 1]! + CORNER,
        far[above + 1]! + CORNER,
        FAR,
      )
    }
  const found = new Uint16Array(width * height)
  for (let y = height; y >= 1; y--)
    for (let x = width, at = y * wide + width; x >= 1; x--, at--) {
      if (far[at] === 0) continue
      const below = at + wide
      far[at] = Math.min(
        far[at]!,
        far[at + 1]! + PIXEL,
        far[below]! + PIXEL,
        far[below + 1]! + CORNER,
        far[below - 1]! + CORNER,
      )
      found[(y - 1) * width + x - 1] = far[at]!
    }
  return found
}
