import { z } from 'zod'
import { way } from '../handout/plan.ts'
import { worksheetPage } from '../worksheet/page.ts'
import { copyState, pageOwners, spokenDirection } from './handouts.ts'

/** Where a copy stands, as its student and its teacher may both know it. */
export const copyStanding = z.object({ copy: z.uuid(), state: copyState, round: z.number() })
export type CopyStandingNews = z.infer<typeof copyStanding>

/** A copy with its pages: all one needs to show it but the ink, which comes over the live connection. */
export const copyWhole = z.object({
  id: z.uuid(),
  handout: z.uuid(),
  title: z.string(),
  instructions: z.string(),
  dueAt: z.number().nullable(),
  /** Whose it is: a student's name, a group's, or everybody. */
  name: z.string(),
  way,
  students: z.array(z.object({ id: z.uuid(), name: z.string() })),
  teacher: z.object({ id: z.uuid(), name: z.string() }),
  spoken: spokenDirection.nullable(),
  /** Everybody in it may rub out and move what others made. */
  touchAll: z.boolean(),
  owners: pageOwners,
  /** Pages that were added or changed after it was handed out, and when. */
  changes: z.array(z.object({ page: z.uuid(), what: z.enum(['new', 'changed']), at: z.number() })),
  state: copyState,
  round: z.number(),
  pages: z.array(worksheetPage),
})
export type CopyWhole = z.infer<typeof copyWhole>

/** The longest voice note, in seconds, and the most bytes it may have. */
export const MOST_VOICE_SECONDS = 120
export const MOST_VOICE_BYTES = 8 * 1024 * 1024

export const recordingKept = z.object({ recording: z.uuid() })
