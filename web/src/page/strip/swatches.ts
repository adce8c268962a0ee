import { type Nib, type Swatch, shinesThrough } from '@hand-back/core'

export type { Swatch } from '@hand-back/core'

/** Colours on offer, by the names that children have for them. */
export const COLOURS: readonly (readonly [string, string])[] = [
  ['#1e2b3a', 'black'],
  ['#2457a6', 'blue'],
  ['#2e7d46', 'green'],
  ['#7a3b8f', 'purple'],
  ['#d22f2f', 'red'],
  ['#0f7c8c', 'blue-green'],
  ['#8a6a1f', 'brown'],
  ['#6b7280', 'grey'],
  ['#c2408a', 'pink'],
  ['#a83a2e', 'dark red'],
  ['#e9b93b', 'yellow'],
  ['#8fd3a6', 'light green'],
]

/** Widths on offer, in points; the second is the usual one. */
export const WIDTHS: Record<Nib, readonly number[]> = {
  pencil: [0.8, 1.4, 2.6, 5],
  pen: [1, 1.8, 3, 5.5],
  'felt tip': [1.4, 3, 6, 10],
  paintbrush: [3, 6, 10, 18],
  highlighter: [9, 14, 22, 32],
}

export const STUDENT_SWATCHES: readonly Swatch[] = [
  { nib: 'pen', colour: '#1e2b3a', width: 1.8 },
  { nib: 'pen', colour: '#2457a6', width: 1.8 },
  { nib: 'pencil', colour: '#1e2b3a', width: 1.4 },
  { nib: 'felt tip', colour: '#d22f2f', width: 3 },
  { nib: 'paintbrush', colour: '#0f7c8c', width: 6 },
  { nib: 'highlighter', colour: '#e9b93b', width: 14 },
]

export const TEACHER_SWATCHES: readonly Swatch[] = [
  { nib: 'pen', colour: '#a83a2e', width: 1.8 },
  { nib: 'pen', colour: '#a83a2e', width: 5.5 },
  { nib: 'pen', colour: '#1b6e68', width: 1.8 },
  { nib: 'highlighter', colour: '#e9b93b', width: 14 },
]

/** The swatch that words and lines are put down with: the one in hand, but letters are not made of highlighter. */
export function inkInHand(inHand: Swatch, swatches: readonly Swatch[]): Swatch {
  if (!shinesThrough(inHand)) return inHand
  return swatches.find((each) => !shinesThrough(each)) ?? { ...inHand, ...STUDENT_SWATCHES[0] }
}

/** What a swatch is called for those who hear it. */
export function swatchName({ nib, colour, width }: Swatch): string {
  const name = COLOURS.find(([value]) => value === colour)?.[1] ?? colour
  const [, usual, thick, thickest] = WIDTHS[nib] as [number, number, number, number]
  const how = width >= thickest ? 'thickest ' : width >= thick ? 'thick ' : width < usual ? 'fine ' : ''
  return `${how}${name} ${nib}`
}
