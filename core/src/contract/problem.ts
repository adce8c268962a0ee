import { z } from 'zod'

/** Every answer that is not a success: one sentence for people. */
export const problem = z.object({ sentence: z.string() })
export type Problem = z.infer<typeof problem>
