import type { Face, Lettering, Measure } from '@hand-back/core'

const FAMILIES: Record<Face, string> = {
  reading: 'Andika, sans-serif',
  // Its own zero is slashed: children read and write numbers in digits without.
  plain: '"Plain digits", "Atkinson Hyperlegible Next Variable", sans-serif',
  book: '"Literata Variable", serif',
}

/** The family of a face, as CSS has it. */
export const familyOf = (face: Face): string => FAMILIES[face]

/** The CSS font of letters of a size in pixels. */
export function cssFont({ face, bold }: Pick<Lettering, 'face' | 'bold'>, pixels: number): string {
  return `${bold ? 700 : 400} ${pixels}px ${FAMILIES[face]}`
}

/** Letters are measured large, where browsers do not round. */
const MEASURED_AT = 100
let context: CanvasRenderingContext2D | undefined
const widths = new Map<string, number>()
/** The most widths remembered. */
const MOST_WIDTHS = 20_000

/** The width of letters in points, as this device's canvas draws them. */
export const measure: Measure = (text, lettering) => {
  const font = cssFont(lettering, MEASURED_AT)
  const key = `${font} ${text}`
  let width = widths.get(key)
  if (width === undefined) {
    context ??= document.createElement('canvas').getContext('2d')!
    context.font = font
    width = context.measureText(text).width / MEASURED_AT
    if (widths.size > MOST_WIDTHS) widths.clear()
    widths.set(key, width)
  }
  return width * lettering.size
}

let ready: Promise<void> | undefined

/** Fulfilled when the shipped faces are there to be drawn and measured with. Until then others stand in. */
export function lettersReady(): Promise<void> {
  ready ??= Promise.all(
    Object.keys(FAMILIES).flatMap((face) =>
      [false, true].map((bold) => document.fonts.load(cssFont({ face: face as Face, bold }, 16), 'aą0')),
    ),
  ).then(
    () => widths.clear(),
    () => {},
  )
  return ready
}
