import { z } from 'zod'
import { drawnAxes, placeAxes } from '../draw/axes.ts'
import { type Drawn, linePath, type Measure } from '../draw/drawn.ts'
import { plainText } from '../words/plainText.ts'
import { clipLine } from '../worksheet/clip.ts'
import { NotAFormula, readFormula } from '../worksheet/expression.ts'
import { axis } from '../worksheet/ruling.ts'
import { slidOf } from './answerValue.ts'
import { colour, lying } from './lying.ts'
import type { PrintedKind } from './printedKind.ts'

/** A number that a curve may use by name. `open`: students slide it on their copy. */
export const parameter = z
  .object({
    name: z.string().regex(/^[a-df-wz]$/, 'A parameter is one small letter, not e, x or y.'),
    value: z.number().min(-1e6).max(1e6),
    from: z.number().min(-1e6).max(1e6),
    to: z.number().min(-1e6).max(1e6),
    open: z.boolean(),
  })
  .refine(({ from, to }) => to > from, 'A parameter ends after it begins.')
export type Parameter = z.infer<typeof parameter>

const schema = z.object({
  ...lying,
  kind: z.literal('plot'),
  across: axis,
  up: axis,
  grid: z.boolean(),
  curves: z.array(z.object({ formula: plainText().max(300), colour })).max(12),
  parameters: z.array(parameter).max(8),
})
export type Plot = z.infer<typeof schema>

/** Axes with curves; students slide the parameters that are left to them. */
export const plot: PrintedKind<Plot> = {
  schema,
  reshapes: 'freely',
  blank: (lies) => ({
    ...lies,
    kind: 'plot',
    across: { from: -5, to: 5, step: 1, label: 'x' },
    up: { from: -5, to: 5, step: 1, label: 'y' },
    grid: true,
    curves: [{ formula: 'x + 1', colour: '#2457a6' }],
    parameters: [],
  }),
  drawn: (item, measure, value) => drawnPlot(item, slidOf(value), measure),
  takes: (value) => 'slid' in value,
  words: (item) => item.curves.map(({ formula }) => `Curve: ${formula}`).join('. '),
}

/** Places along a curve, for each point of the field's width two. */
const SAMPLES_A_POINT = 2
/** A jump higher than this many heights of the field between neighbours is a gap (1/x), not a line. */
const GAP = 2

/** A plot with the values that a student slid; a formula that cannot be read draws no curve. */
export function drawnPlot(item: Plot, slid: Readonly<Record<string, number>>, measure: Measure): Drawn[] {
  const place = placeAxes(item, item, measure)
  const { field } = place
  const letters = Object.fromEntries(item.parameters.map(({ name, value }) => [name, slid[name] ?? value]))
  const count = Math.min(2000, Math.ceil(field.width * SAMPLES_A_POINT))
  const drawn = drawnAxes({ ...item, colour: '#b9c9d6' }, item, measure)
  for (const { formula, colour } of item.curves) {
    const value = curveOf(formula, Object.keys(letters))
    if (!value) continue
    const points = Array.from({ length: count + 1 }, (_, index) => {
      const x = item.across.from + ((item.across.to - item.across.from) * index) / count
      return { x: place.x(x), y: place.y(value({ ...letters, x })) }
    })
    const d = runs(points, field.height * GAP)
      .flatMap((run) => clipLine(run, field))
      .map((piece) => linePath(piece))
      .join('')
    if (d !== '') drawn.push({ kind: 'path', d, stroke: colour, width: 1.6 })
  }
  return drawn
}

function curveOf(formula: string, letters: string[]) {
  try {
    return readFormula(formula, letters)
  } catch (error) {
    if (error instanceof NotAFormula) return undefined
    throw error
  }
}

function runs(points: readonly { x: number; y: number }[], gap: number): { x: number; y: number }[][] {
  const found: { x: number; y: number }[][] = []
  let run: { x: number; y: number }[] = []
  for (const point of points) {
    const last = run.at(-1)
    if (!Number.isFinite(point.y) || (last && Math.abs(point.y - last.y) > gap)) {
      found.push(run)
      run = []
    }
    if (Number.isFinite(point.y)) run.push(point)
  }
  return [...found, run]
}
