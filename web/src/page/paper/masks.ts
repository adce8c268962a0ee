// pdf.js draws masks by filters of the document, which a worker does not have. Here a mask becomes what the
// filter would have made of it when it is laid on: a canvas whose see-throughness is how light it was.

/** The mask that is about to be laid on: by its light, or by how see-through it is, through a table of 256 steps. */
let next: { readonly by: 'light' | 'alpha'; readonly table: ArrayLike<number> | undefined } | undefined

/** Takes the place of pdf.js's filters. Those that only change colours (rare) are left out. */
export class MaskFilters {
  addLuminosityFilter(table?: ArrayLike<number>) {
    next = { by: 'light', table }
    return 'none'
  }
  addAlphaFilter(table?: ArrayLike<number>) {
    next = { by: 'alpha', table }
    return 'none'
  }
  addFilter() {
    return 'none'
  }
  addHCMFilter() {
    return 'none'
  }
  addKnockoutFilter() {
    return 'none'
  }
  addHighlightHCMFilter() {
    return 'none'
  }
  addSelectionHCMFilter() {
    return 'none'
  }
  destroy() {}
}

/** Makes the canvases that pdf.js draws layers and masks on. */
export class OffscreenCanvasFactory {
  create(width: number, height: number) {
    const canvas = new OffscreenCanvas(width, height)
    const context = canvas.getContext('2d')!
    layMasks(context)
    return { canvas, context }
  }
  reset(held: { canvas: OffscreenCanvas }, width: number, height: number) {
    held.canvas.width = width
    held.canvas.height = height
  }
  destroy(held: { canvas: OffscreenCanvas | null; context: unknown }) {
    held.canvas = null
    held.context = null
  }
}

type Draw = (picture: CanvasImageSource, ...places: number[]) => void

/** Lets a context lay on the mask that was asked for just before. */
function layMasks(context: OffscreenCanvasRenderingContext2D): void {
  const draw = context.drawImage.bind(context) as Draw
  ;(context as { drawImage: Draw }).drawImage = (picture, ...places) => {
    const mask = next
    next = undefined
    if (!mask || context.globalCompositeOperation !== 'destination-in' || places.length < 8)
      return draw(picture, ...places)
    const [x = 0, y = 0, width = 1, height = 1, ...to] = places
    draw(asAlpha(picture, { x, y, width, height }, mask), 0, 0, width, height, ...to)
  }
}

/** Part of a mask with its light as alpha: 0.3 red, 0.59 green, 0.11 blue (ISO 32000-2, 11.5.3). */
function asAlpha(
  picture: CanvasImageSource,
  part: { x: number; y: number; width: number; height: number },
  { by, table }: NonNullable<typeof next>,
): OffscreenCanvas {
  const { x, y, width, height } = part
  const canvas = new OffscreenCanvas(Math.max(1, width), Math.max(1, height))
  const context = canvas.getContext('2d', { willReadFrequently: true })!
  context.drawImage(picture, x, y, width, height, 0, 0, width, height)
  const pixels = context.getImageData(0, 0, canvas.width, canvas.height)
  const { data } = pixels
  for (let at = 0; at < data.length; at += 4) {
    const light =
      by === 'alpha' ? data[at + 3]! : 0.3 * data[at]! + 0.59 * data[at + 1]! + 0.11 * data[at + 2]!
    data[at + 3] = table ? table[Math.round(light)]! : light
  }
  context.putImageData(pixels, 0, 0)
  return canvas
}
