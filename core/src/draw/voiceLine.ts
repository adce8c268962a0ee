import type { Box } from '../worksheet/box.ts'

/** How strong a voice is where nobody has listened to it, along a line: it swells and fades as speech does. */
const UNHEARD = [0.45, 0.9, 0.6, 1, 0.35, 0.8, 0.5, 0.95, 0.6, 0.3]

/** A swing of the line is so wide, as part of the height of its box. */
const SWING = 0.36
/** What is silent is a line that still trembles: it is seen to be a voice. */
const LEAST = 0.08

/**
 * A voice as a line of ink across a box, as an SVG path: it swings the wider, the stronger the voice is there.
 * `peaks`: strengths along its length, 0 to 1; none: a line of its own. `strongest` takes the whole height.
 */
export function voiceLine(
  peaks: readonly number[],
  { x, y, width, height }: Box,
  strongest = Math.max(0.05, ...peaks),
): string {
  const strengths = peaks.length > 0 ? peaks : UNHEARD.map((each) => each * strongest)
  const swings = Math.max(1, Math.round(width / (height * SWING)))
  const step = width / swings
  const middle = y + height / 2
  let d = `M${round(x)} ${round(middle)}`
  for (let swing = 0; swing < swings; swing++) {
    const first = Math.floor((swing * strengths.length) / swings)
    const last = Math.max(first + 1, Math.ceil(((swing + 1) * strengths.length) / swings))
    const strength = Math.min(1, Math.max(LEAST, Math.max(...strengths.slice(first, last)) / strongest))
    // A curve with one control point goes half as far as that point.
    const reach = (swing % 2 === 0 ? -1 : 1) * strength * height
    const from = x + swing * step
    d += `Q${round(from + step / 2)} ${round(middle + reach)} ${round(from + step)} ${round(middle)}`
  }
  return d
}

const round = (value: number) => Math.round(value * 100) / 100
