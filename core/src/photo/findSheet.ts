import { takePiece } from '../fill/region.ts'
import type { Point } from '../ink/points.ts'
import { alongEdges } from './alongEdges.ts'
import type { Corners } from './homography.ts'
import { type Grey, greyOf, inLevelLight, type Pixels } from './pixels.ts'
import { hullOf, quadIn, squareness } from './quad.ts'

/** A sheet is looked for in a picture of this many pixels at its longer side. */
const SIDE = 360
/** It takes this part of the picture at least. */
const SMALLEST = 0.12
/** … and lets this part of it free at least: else all of it is paper, or light. */
const LARGEST = 0.985
/** This part of its own outline is paper. */
const SOLID = 0.9

/** What is less sure than this is left to a person. */
const SURE = 0.4
/** A sheet whose weakest side is hardly seen is this part as sure as one that is seen all round. */
const UNSEEN = 0.25

/**
 * The corners of the sheet of paper in a photo, in pixels: upper left, upper right, lower right, lower left. Nothing:
 * none is sure enough.
 *
 * Method: paper is brighter, or whiter, than what it lies on, as it is seen or in level light. In each of these
 * pictures and for each of several thresholds the largest bright part is taken if its outline is nearly a
 * quadrilateral, with what it encloses. Its sides are then laid where the picture changes most (`alongEdges`), so
 * that a bent corner or a thumb does not matter. The one wins that is best filled, squarest, and plainest seen at
 * its weakest side.
 */
export function findSheet(pixels: Pixels): Corners | undefined {
  const seen = (['brightness', 'whiteness'] as const).map((as) => blurred(greyOf(pixels, SIDE, as)))
  let best: Found | undefined
  for (const grey of seen.flatMap((each) => [each, inLevelLight(each)])) {
    const found = sheetIn(grey)
    if (found && found.sure > (best?.sure ?? SURE)) best = found
  }
  if (!best) return undefined
  const [sx, sy] = [pixels.width / seen[0]!.width, pixels.height / seen[0]!.height]
  return best.corners.map(({ x, y }) => ({ x: x * sx, y: y * sy })) as unknown as Corners
}

interface Found {
  readonly corners: Corners
  /** How sure it is, from 0 to 1. */
  readonly sure: number
}

function sheetIn(grey: Grey): Found | undefined {
  let best: Found | undefined
  for (const threshold of thresholdsOf(grey)) {
    const found = sheetAbove(grey, threshold)
    if (found && found.sure > (best?.sure ?? 0)) best = found
  }
  if (!best) return undefined
  const { corners, weakest } = alongEdges(grey, best.corners)
  return { corners, sure: best.sure * (UNSEEN + (1 - UNSEEN) * weakest) }
}

/** Thresholds to try: between the darkest and the brightest, and where the picture parts best in two (Otsu 1979). */
function thresholdsOf({ data }: Grey): number[] {
  const counts = new Uint32Array(256)
  for (const value of data) counts[value]!++
  const otsu = otsuOf(counts, data.length)
  return [...new Set([-36, -24, -12, -6, 0, 6, 12, 24, 36].map((off) => otsu + off))].filter(
    (value) => value > 8 && value < 250,
  )
}

function otsuOf(counts: Uint32Array, all: number): number {
  let sum = 0
  for (let value = 0; value < 256; value++) sum += value * counts[value]!
  let [below, sumBelow, best, most] = [0, 0, 127, -1]
  for (let value = 0; value < 255; value++) {
    below += counts[value]!
    sumBelow += value * counts[value]!
    if (below === 0 || below === all) continue
    const apart = sumBelow / below - (sum - sumBelow) / (all - below)
    const between = below * (all - below) * apart * apart
    if (between > most) [best, most] = [value, between]
  }
  return best
}

function sheetAbove(grey: Grey, threshold: number): Found | undefined {
  const { data, width, height } = grey
  const bright = data.map((value) => (value > threshold ? 1 : 0))
  const sheet = largest(bright, width)
  if (sheet.count < SMALLEST * data.length) return undefined
  const hull = hullOf(outline(sheet.mask, width, height))
  const quad = quadIn(hull)
  if (!quad) return undefined
  const part = quad.area / data.length
  const solid = insideOf(sheet.mask, width, height, quad.corners) / quad.area
  if (part < SMALLEST || part > LARGEST || solid < SOLID) return undefined
  return { corners: quad.corners, sure: solid * quad.fits * squareness(quad.corners) }
}

/** The largest piece of what is bright. */
function largest(bright: Uint8Array, width: number): { mask: Uint8Array; count: number } {
  const left = bright.slice()
  let best: number[] = []
  for (let at = 0; at < left.length; at++) {
    if (left[at] === 0) continue
    const piece = takePiece(left, width, at)
    if (piece.length > best.length) best = piece
  }
  const mask = new Uint8Array(bright.length)
  for (const at of best) mask[at] = 1
  return { mask, count: best.length }
}

/** The first and last place of each row. */
function outline(mask: Uint8Array, width: number, height: number): Point[] {
  const places: Point[] = []
  for (let y = 0; y < height; y++) {
    const first = mask.indexOf(1, y * width)
    if (first < 0 || first >= (y + 1) * width) continue
    const last = mask.lastIndexOf(1, (y + 1) * width - 1)
    for (const edge of [y, y + 1])
      places.push({ x: first - y * width, y: edge }, { x: last - y * width + 1, y: edge })
  }
  return places
}

/** How many pixels of the mask lie within the corners; what the sheet encloses counts as its own. */
function insideOf(mask: Uint8Array, width: number, height: number, corners: Corners): number {
  let count = 0
  for (let y = 0; y < height; y++) {
    const crossings = corners.flatMap((from, index) => {
      const to = corners[(index + 1) % 4]!
      const middle = y + 0.5
      if (from.y > middle === to.y > middle) return []
      return [from.x + ((middle - from.y) / (to.y - from.y)) * (to.x - from.x)]
    })
    if (crossings.length < 2) continue
    const [from, to] = [Math.min(...crossings), Math.max(...crossings)]
    const first = mask.indexOf(1, y * width)
    const last = mask.lastIndexOf(1, (y + 1) * width - 1)
    if (first < 0 || first >= (y + 1) * width) continue
    count += Math.max(0, Math.min(to, last - y * width + 1) - Math.max(from, first - y * width))
  }
  return count
}

/** The mean of 3 × 3, so that the grain of a table or of a photo makes no edge. */
function blurred({ data, width, height }: Grey): Grey {
  const across = new Uint16Array(data.length)
  for (let y = 0; y < height; y++)
    for (let x = 0, at = y * width; x < width; x++, at++)
      across[at] = data[x > 0 ? at - 1 : at]! + data[at]! + data[x < width - 1 ? at + 1 : at]!
  const soft = new Uint8Array(data.length)
  for (let y = 0, at = 0; y < height; y++)
    for (let x = 0; x < width; x++, at++) {
      const above = across[y > 0 ? at - width : at]!
      const below = across[y < height - 1 ? at + width : at]!
      soft[at] = (above + across[at]! + below) / 9
    }
  return { data: soft, width, height }
}
