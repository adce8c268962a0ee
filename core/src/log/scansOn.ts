import type { Scan } from '../kinds/scan.ts'
import type { Placed } from './apply.ts'

/** A sheet of paper on a page, with who laid it there. */
export interface LaidScan {
  readonly scan: Scan
  readonly author: string
}

/** The sheets of paper among what lies on a page (`inSight`), from below; the last one covers the others. */
export const scansOn = (placed: readonly Placed[]): LaidScan[] =>
  placed.flatMap(({ item, author }) => (item.kind === 'scan' ? [{ scan: item, author }] : []))
