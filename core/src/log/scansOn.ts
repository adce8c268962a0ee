import type { Scan } from '../kinds/scan.ts'
import { inSight, type Page } from './apply.ts'

/** A sheet of paper on a page, with who laid it there. */
export interface LaidScan {
  readonly scan: Scan
  readonly author: string
}

/** The sheets of paper that lie on a page, from below; the last one covers the others. */
export const scansOn = (page: Page): LaidScan[] =>
  inSight(page).flatMap(({ item, author }) => (item.kind === 'scan' ? [{ scan: item, author }] : []))
