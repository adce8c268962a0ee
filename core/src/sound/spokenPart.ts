/** A part of a sound, from and to, in seconds from its beginning. */
export interface Part {
  readonly from: number
  readonly to: number
}

/** A sound is looked at in windows of this length, in seconds. */
const WINDOW = 0.02
/** Weaker than this, as mean square, is a quiet room (−55 dB of full strength). */
const QUIET = 10 ** (-55 / 10)
/** Or this much weaker than the strongest window (40 dB): a room may hum. */
const BELOW_STRONGEST = 10 ** (-40 / 10)
/** So much stays before and after, in seconds: words begin and end softly. */
const BREATH = 0.2

/**
 * The part of a sound without the silence at both of its ends, which is skipped when it is played. Of one
 * that is silent throughout, all. `rate`: samples a second.
 */
export function spokenPart(samples: Float32Array, rate: number): Part {
  const whole = { from: 0, to: samples.length / rate }
  const length = Math.max(1, Math.round(WINDOW * rate))
  const strengths: number[] = []
  for (let at = 0; at < samples.length; at += length) strengths.push(meanSquare(samples, at, length))
  const strongest = strengths.reduce((most, each) => Math.max(most, each), 0)
  const least = Math.max(QUIET, strongest * BELOW_STRONGEST)
  const isLoud = (strength: number) => strength >= least
  const first = strengths.findIndex(isLoud)
  if (first === -1) return whole
  const last = strengths.findLastIndex(isLoud)
  return {
    from: Math.max(0, (first * length) / rate - BREATH),
    to: Math.min(whole.to, ((last + 1) * length) / rate + BREATH),
  }
}

function meanSquare(samples: Float32Array, from: number, length: number): number {
  const end = Math.min(samples.length, from + length)
  let sum = 0
  for (let at = from; at < end; at++) sum += samples[at]! ** 2
  return sum / (end - from)
}
