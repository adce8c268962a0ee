import { z } from 'zod'

/** The longest recording there can be, in seconds; a hand-out says what its copies take. */
export const LONGEST_RECORDING = 3600

/** How long a recording is, in seconds. A device may notice the end a moment late. */
export const spokenSeconds = z
  .number()
  .min(0)
  .max(LONGEST_RECORDING + 5)
