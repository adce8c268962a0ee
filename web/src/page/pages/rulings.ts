import type { Ruling, RulingForm } from '@hand-back/core'

const BLUE = '#9fb4c7'
const GREY = '#55606b'
const AXIS = { from: 0, to: 10, step: 1, label: '' }

/** The ruled papers on offer, as they are when one is chosen. */
export const RULINGS: readonly (readonly [string, Ruling])[] = [
  ['Plain', { form: 'plain', colour: BLUE }],
  ['Ruled', { form: 'ruled', colour: BLUE, spacing: 8 }],
  ['Ruled wide', { form: 'ruled', colour: BLUE, spacing: 12 }],
  ['Handwriting', { form: 'handwriting', colour: BLUE, height: 6 }],
  ['Squared 5 mm', { form: 'squared', colour: BLUE, side: 5 }],
  ['Squared 10 mm', { form: 'squared', colour: BLUE, side: 10 }],
  ['Dotted', { form: 'dotted', colour: GREY, side: 5 }],
  ['Axes', { form: 'axes', colour: BLUE, across: AXIS, up: AXIS }],
  ['Staves', { form: 'staves', colour: GREY, gap: 2 }],
  ['Number lines', { form: 'number line', colour: GREY, from: 0, to: 10, parts: 10, lines: 4 }],
  ['Clock faces', { form: 'clock faces', colour: GREY, count: 6 }],
  ['Fraction circles', { form: 'fractions', colour: GREY, shape: 'circle', parts: 4, count: 6 }],
  ['Fraction bars', { form: 'fractions', colour: GREY, shape: 'bar', parts: 5, count: 5 }],
  ['Two overlapping circles', { form: 'overlap', colour: GREY, circles: 2 }],
  ['Three overlapping circles', { form: 'overlap', colour: GREY, circles: 3 }],
  ['Columns', { form: 'columns', colour: GREY, count: 3 }],
  ['Timeline', { form: 'timeline', colour: GREY, from: 1900, to: 2000, parts: 10 }],
]

/** A page that is used lying more often than upright. */
export const LYING: ReadonlySet<RulingForm> = new Set<RulingForm>(['timeline'])

/** What a ruling is called: as the paper on offer that it is, or that it was made from. */
export function rulingName(ruling: Ruling): string {
  const same = RULINGS.find(([, of]) => JSON.stringify(of) === JSON.stringify(ruling))
  const alike = RULINGS.find(
    ([, of]) =>
      of.form === ruling.form &&
      (of.form !== 'fractions' || of.shape === (ruling as typeof of).shape) &&
      (of.form !== 'overlap' || of.circles === (ruling as typeof of).circles),
  )
  return (same ?? alike ?? RULINGS[0]!)[0]
}

/** The paper on offer of this name. */
export const rulingCalled = (name: string): Ruling =>
  (RULINGS.find(([called]) => called === name) ?? RULINGS[0]!)[1]
