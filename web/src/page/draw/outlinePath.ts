import { type Stroke, strokeOutline, strokePoints, strokeWidth, traceOutline } from '@hand-back/core'

/** The outline of a stroke (ink/outline.ts) as an SVG path, to a tenth of its unit. */
export function outlinePath(outline: readonly (readonly number[])[]): string {
  let d = ''
  traceOutline(outline, {
    moveTo: (x, y) => {
      d += `M${x.toFixed(1)} ${y.toFixed(1)}`
    },
    quadraticCurveTo: (cx, cy, x, y) => {
      d += `Q${cx.toFixed(1)} ${cy.toFixed(1)} ${x.toFixed(1)} ${y.toFixed(1)}`
    },
    closePath: () => {
      d += 'Z'
    },
  })
  return d
}

/** A stroke as an SVG path in points of the page, to be filled. */
export const strokeAsPath = (stroke: Stroke): string =>
  outlinePath(strokeOutline(strokePoints(stroke), stroke.nib, strokeWidth(stroke)))
