import type { CopyFormatName, Person } from '@hand-back/core'
import type { Context } from '../context.ts'
import { copyAsPdf } from './flatten/index.ts'

/** What a copy is made into: the name of its file, without ending, and what is in it. */
export interface MadeOfCopy {
  readonly name: string
  readonly bytes: Uint8Array
}

/**
 * Makes a copy into a format, with what this person may read of it and nothing else. Throws `Refused` (404)
 * for somebody without a place in the copy, and with a sentence where it cannot be made.
 */
export type MakeOfCopy = (context: Context, person: Person, copy: string) => Promise<MadeOfCopy>

/** How each format is made. */
export const MAKERS: Readonly<Record<CopyFormatName, MakeOfCopy>> = { pdf: copyAsPdf }
