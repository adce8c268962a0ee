import { z } from 'zod'
import { loudnessOf, SILENT } from './loudness.ts'
import { peaksOf, readPeaks, writePeaks } from './peaks.ts'
import { spokenPart } from './spokenPart.ts'

/** What a device found in a recording when it was made: enough to draw it and to play it well without reading it. */
export const heard = z.strictObject({
  /** Its strength along its length, as `writePeaks` writes it. */
  peaks: z.string().regex(/^[\w-]{1,64}$/),
  /** Its integrated loudness, in LUFS. */
  loudness: z.number().min(SILENT).max(10),
  /** Where something is heard first and last, in seconds. */
  from: z.number().min(0).max(4000),
  to: z.number().min(0).max(4000),
})
export type Heard = z.infer<typeof heard>

/** Listens to a recording of one channel; `rate`: samples a second. */
export function listenTo(samples: Float32Array, rate: number): Heard {
  return {
    peaks: writePeaks(peaksOf(samples)),
    loudness: Math.min(10, loudnessOf(samples, rate)),
    ...spokenPart(samples, rate),
  }
}

/** All voices are played as loud as this, in LUFS: well heard on a small device, without being clipped. */
const EVEN = -20
/** The most that a soft voice is lifted by: past it a room becomes noise. */
const MOST_LIFT = 8

/** What a recording's samples are to be multiplied with, so that all are heard as loud as the others. */
export function evenGain({ loudness, peaks }: Pick<Heard, 'loudness' | 'peaks'>): number {
  const strongest = Math.max(...readPeaks(peaks))
  if (loudness <= SILENT || strongest === 0) return 1
  return Math.min(10 ** ((EVEN - loudness) / 20), MOST_LIFT, 1 / strongest)
}
