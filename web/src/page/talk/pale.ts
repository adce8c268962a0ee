import { colourParts, type Stroke } from '@hand-back/core'

/** How much of a stroke's own colour is left. */
const LEFT = 0.2

const made = new WeakMap<Stroke, Stroke>()

/** A stroke in a breath of its colour: what is yet to come. The same object each time, so that it is drawn once. */
export function pale(stroke: Stroke): Stroke {
  let light = made.get(stroke)
  if (!light) {
    const letters = colourParts(stroke.colour).map((part) =>
      Math.round(255 * (1 - LEFT * (1 - part)))
        .toString(16)
        .padStart(2, '0'),
    )
    light = { ...stroke, colour: `#${letters.join('')}` }
    made.set(stroke, light)
  }
  return light
}
