import { GRAIN_SIZE, GRAINS, grain, isGrainy, type Stroke } from '@hand-back/core'

type Ink = Pick<Stroke, 'nib' | 'colour'>

/** Grains each way to one that is drawn. */
const COARSER = 2

const patterns = new Map<string, CanvasPattern>()

/** What ink is filled with: its colour, or grains of it. On a canvas whose units are points of the page. */
export function inkFill(ink: Ink): string | CanvasPattern {
  if (!isGrainy(ink)) return ink.colour
  let pattern = patterns.get(ink.colour)
  if (!pattern) {
    const canvas = grainCanvas(ink.colour)
    pattern = canvas.getContext('2d')!.createPattern(canvas, 'repeat')!
    pattern.setTransform(new DOMMatrix().scale(GRAIN_SIZE * COARSER))
    patterns.set(ink.colour, pattern)
  }
  return pattern
}

const urls = new Map<string, string>()

/** Grains of a colour as a picture's address, as wide as `GRAINS` of them. */
export function grainUrl(colour: string): string {
  const url = urls.get(colour) ?? grainCanvas(colour).toDataURL()
  urls.set(colour, url)
  return url
}

/** Grains of a colour, drawn half as large: screens are coarser than paper, and a thin line must not break. */
function grainCanvas(colour: string): HTMLCanvasElement {
  const side = GRAINS / COARSER
  const canvas = Object.assign(document.createElement('canvas'), { width: side, height: side })
  const context = canvas.getContext('2d')!
  context.fillStyle = colour
  context.fillRect(0, 0, side, side)
  const image = context.getImageData(0, 0, side, side)
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) image.data[(y * side + x) * 4 + 3] = 255 * taken(x * COARSER, y * COARSER)
  context.putImageData(image, 0, 0)
  return canvas
}

/** How much lead the grains from there on take, as far as one that is drawn covers. */
function taken(x: number, y: number): number {
  let sum = 0
  for (let dy = 0; dy < COARSER; dy++)
    for (let dx = 0; dx < COARSER; dx++) sum += grain()[(y + dy) * GRAINS + x + dx]!
  return sum / COARSER ** 2
}
