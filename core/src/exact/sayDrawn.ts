import { POINTS_PER_MM } from '../worksheet/box.ts'
import type { Drawn } from './along.ts'

/** In what lengths are measured. */
export type LengthUnit = 'cm' | 'in'
const POINTS_IN: Readonly<Record<LengthUnit, number>> = { cm: POINTS_PER_MM * 10, in: 72 }

/** A length in points, to the millimetre or the twentieth of an inch: `6.3 cm`, `2.45 in`. */
export function sayLengthOf(points: number, unit: LengthUnit): string {
  const long = points / POINTS_IN[unit]
  return unit === 'cm' ? `${long.toFixed(1)} cm` : `${(Math.round(long * 20) / 20).toFixed(2)} in`
}

/** An angle in whole degrees. */
export const sayAngle = (degrees: number): string => `${Math.round(degrees)}°`

/** What was drawn along an edge, measured: `6.3 cm · 30°`. */
export function sayDrawn(drawn: Drawn, unit: LengthUnit): string {
  return drawn.kind === 'line'
    ? `${sayLengthOf(drawn.length, unit)} · ${sayAngle(drawn.angle)}`
    : `${sayLengthOf(drawn.radius, unit)} · ${sayAngle(drawn.sweep)}`
}
