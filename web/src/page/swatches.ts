import type { Nib } from '@hand-back/core'
import { z } from 'zod'

/** A pen kept ready. Width in points. */
export interface Swatch {
  readonly nib: Nib
  readonly colour: string
  readonly width: number
}

const swatch = z.object({
  nib: z.enum(['pen', 'highlighter']),
  colour: z.string().regex(/^#[0-9a-f]{6}$/),
  width: z.number().min(0.2).max(100),
})

/** Colours on offer, with their names for those who do not see them. */
export const COLOURS: readonly (readonly [string, string])[] = [
  ['#1e2b3a', 'ink'],
  ['#2457a6', 'blue'],
  ['#2e7d46', 'green'],
  ['#7a3b8f', 'plum'],
  ['#b4532a', 'brick'],
  ['#0f7c8c', 'teal'],
  ['#8a6a1f', 'brown'],
  ['#6b7280', 'grey'],
  ['#c2408a', 'pink'],
  ['#a83a2e', 'madder'],
  ['#e9b93b', 'yellow'],
  ['#8fd3a6', 'mint'],
]

export const WIDTHS: Record<Nib, readonly number[]> = { pen: [1, 1.8, 3, 5.5], highlighter: [9, 14, 22] }

export const STUDENT_SWATCHES: readonly Swatch[] = [
  { nib: 'pen', colour: '#1e2b3a', width: 1.8 },
  { nib: 'pen', colour: '#2457a6', width: 1.8 },
  { nib: 'pen', colour: '#2e7d46', width: 1.8 },
  { nib: 'pen', colour: '#7a3b8f', width: 3 },
  { nib: 'highlighter', colour: '#e9b93b', width: 14 },
]

export const TEACHER_SWATCHES: readonly Swatch[] = [
  { nib: 'pen', colour: '#a83a2e', width: 1.8 },
  { nib: 'pen', colour: '#a83a2e', width: 5.5 },
  { nib: 'pen', colour: '#1b6e68', width: 1.8 },
  { nib: 'highlighter', colour: '#e9b93b', width: 14 },
]

/** The swatches a person keeps on this device, or `first` for a newcomer. */
export function keptSwatches(person: string, first: readonly Swatch[]): readonly Swatch[] {
  try {
    const kept = z
      .array(swatch)
      .min(1)
      .max(12)
      .parse(JSON.parse(localStorage.getItem(`swatches ${person}`) ?? ''))
    return kept
  } catch {
    return first
  }
}

export function keepSwatches(person: string, swatches: readonly Swatch[]): void {
  localStorage.setItem(`swatches ${person}`, JSON.stringify(swatches))
}

/** What a swatch is called for those who hear it. */
export function swatchName({ nib, colour, width }: Swatch): string {
  const name = COLOURS.find(([value]) => value === colour)?.[1] ?? colour
  const widths = WIDTHS[nib]
  const thick = widths.length > 0 && width > widths[1]! ? 'thick ' : width < widths[1]! ? 'fine ' : ''
  return `${thick}${name} ${nib}`
}
