import { z } from 'zod'
import { worksheetPage } from '../worksheet/page.ts'
import { copyState } from './handouts.ts'

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
  student: z.object({ id: z.uuid(), name: z.string() }),
  teacher: z.object({ name: z.string() }),
  state: copyState,
  round: z.number(),
  pages: z.array(worksheetPage),
})
export type CopyWhole = z.infer<typeof copyWhole>

/** The longest voice note, in seconds, and the most bytes it may have. */
export const MOST_VOICE_SECONDS = 120
export const MOST_VOICE_BYTES = 8 * 1024 * 1024

export const recordingKept = z.object({ recording: z.uuid() })
