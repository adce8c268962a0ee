import { z } from 'zod'
import { pageEvent } from '../log/events.ts'
import { MOST_EVENTS_AT_ONCE } from './live.ts'

/** What a teacher did to their worked copy of a worksheet, in order. Told twice, it is kept once. */
export const workedMore = z.object({ events: z.array(pageEvent).min(1).max(MOST_EVENTS_AT_ONCE) })
