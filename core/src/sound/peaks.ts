/** So many peaks a recording is drawn with: as many as a line as wide as a finger's length can show. */
export const PEAKS = 48

/** The 64 letters of base64url (RFC 4648 § 5), from silence to full strength. */
const LEVELS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_'

/**
 * How strong a sound is along its length: for each of `count` parts of the same length the greatest distance
 * from silence, 0 to 1. Samples are −1 to 1; what is beyond counts as 1. Of nothing all parts are silent.
 */
export function peaksOf(samples: Float32Array, count = PEAKS): number[] {
  return Array.from({ length: count }, (_, part) => {
    const end = Math.floor(((part + 1) * samples.length) / count)
    let peak = 0
    for (let at = Math.floor((part * samples.length) / count); at < end; at++) {
      const strength = Math.abs(samples[at]!)
      if (strength > peak) peak = strength
    }
    return Math.min(1, peak)
  })
}

/** Peaks as a word, a letter each, to the nearest of 64 levels. */
export function writePeaks(peaks: readonly number[]): string {
  return peaks
    .map((peak) => LEVELS[Math.round(Math.min(1, Math.max(0, peak)) * (LEVELS.length - 1))])
    .join('')
}

/** The opposite of `writePeaks`. What is no letter of it is silence. */
export function readPeaks(word: string): number[] {
  return [...word].map((letter) => Math.max(0, LEVELS.indexOf(letter)) / (LEVELS.length - 1))
}
