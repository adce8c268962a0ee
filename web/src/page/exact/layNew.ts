import { guideAt, type Instrument, newInstrument, type Point } from '@hand-back/core'
import type { Instruments } from './instruments.ts'

/** Lays a new instrument at a place of a page of this width, in points. */
export function layNew(
  instruments: Instruments,
  kind: Instrument['kind'],
  at: Point,
  pageWidth: number,
): void {
  instruments.layDown(newInstrument(kind, at, pageWidth), guideAt)
}
