import { HIGHLIGHTER_OPACITY } from '../ink/outline.ts'
import { type Stroke, shinesThrough, strokePoints, strokeWidth } from '../ink/stroke.ts'

/**
 * Strokes as InkML (W3C recommendation of 2011): for each its places in points from the upper left of the page, the
 * force of the pen (0 to 255) and the milliseconds since it went down, and a brush with colour, width and what drew
 * it. Nothing of them is lost; where a stroke was moved to is where it is.
 */
export function writeInkML(strokes: readonly Stroke[], page: { width: number; height: number }): string {
  const brushes = new Map<string, string>()
  const brushOf = (stroke: Stroke): string => {
    const inner = brush(stroke)
    const known = brushes.get(inner) ?? `brush${brushes.size + 1}`
    brushes.set(inner, known)
    return known
  }
  const traces = strokes.map((stroke) => `  <trace brushRef="#${brushOf(stroke)}">${trace(stroke)}</trace>`)
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    '<ink xmlns="http://www.w3.org/2003/InkML">',
    '  <definitions>',
    '    <context xml:id="page">',
    '      <inkSource xml:id="pen">',
    '        <traceFormat>',
    `          <channel name="X" type="decimal" min="0" max="${page.width}" units="pt"/>`,
    `          <channel name="Y" type="decimal" min="0" max="${page.height}" units="pt"/>`,
    `          <channel name="F" type="integer" min="0" max="${FORCE}"/>`,
    '          <channel name="T" type="integer" units="ms"/>',
    '        </traceFormat>',
    '      </inkSource>',
    '    </context>',
    ...[...brushes].map(([inner, id]) => `    <brush xml:id="${id}">${inner}</brush>`),
    '  </definitions>',
    '  <context contextRef="#page"/>',
    ...traces,
    '</ink>',
    '',
  ].join('\n')
}

/** Steps of the force of a pen: as many as packed ink keeps. */
const FORCE = 255
const short = (value: number) => String(Math.round(value * 100) / 100)

const trace = (stroke: Stroke) =>
  strokePoints(stroke)
    .map(
      ({ x, y, pressure, time }) =>
        `${short(x)} ${short(y)} ${Math.round(pressure * FORCE)} ${Math.round(time)}`,
    )
    .join(', ')

function brush(stroke: Stroke): string {
  const property = (name: string, value: string | number, units = '') =>
    `<brushProperty name="${name}" value="${value}"${units && ` units="${units}"`}/>`
  return [
    `<annotation type="nib">${stroke.nib}</annotation>`,
    property('color', stroke.colour),
    property('width', Math.round(strokeWidth(stroke) * 1e4) / 1e4, 'pt'),
    ...(shinesThrough(stroke) ? [property('transparency', Math.round(255 * (1 - HIGHLIGHTER_OPACITY)))] : []),
  ].join('')
}
