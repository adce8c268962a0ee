import type { CopyFormatName, Person } from '@hand-back/core'
import type { Context } from '../context.ts'
import { copyAsPdf } from './copyAsPdf.ts'
import type { Made, Wanted } from './made.ts'

/**
 * Makes a copy into a format, with what this person may read of it and nothing else. Throws `Refused` (404)
 * for somebody without a place in the copy, and with a sentence where it cannot be made.
 */
export type MakeOfCopy = (context: Context, person: Person, copy: string, wanted: Wanted) => Promise<Made>

/** How each format is made. */
export const MAKERS: Readonly<Record<CopyFormatName, MakeOfCopy>> = { pdf: copyAsPdf }
