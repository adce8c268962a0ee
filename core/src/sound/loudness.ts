/** The integrated loudness of silence, in LUFS: what measuring ends at (ITU-R BS.1770-4). */
export const SILENT = -70

/** Blocks of 400 ms, one begun every 100 ms. */
const BLOCK_SECONDS = 0.4
const STEPS_A_BLOCK = 4
const RELATIVE_GATE = -10

/** A filter of second order: what it weighs the last three samples that came in with, and the last two that went out. */
interface Biquad {
  readonly b: readonly [number, number, number]
  readonly a: readonly [number, number]
}

/**
 * How loud people hear a sound of one channel, in LUFS: integrated loudness by ITU-R BS.1770-4, K-weighted,
 * gated at −70 LUFS and at 10 LU under what is left. A sound shorter than a block is one block.
 * `rate`: samples a second. Silence: `SILENT`.
 */
export function loudnessOf(samples: Float32Array, rate: number): number {
  const steps = stepPowers(weighted(samples, rate), Math.round((BLOCK_SECONDS / STEPS_A_BLOCK) * rate))
  const blocks: number[] = []
  for (let at = 0; at + STEPS_A_BLOCK <= steps.length; at++)
    blocks.push(mean(steps.slice(at, at + STEPS_A_BLOCK)))
  if (blocks.length === 0 && steps.length > 0) blocks.push(mean(steps))
  const heard = blocks.filter((power) => loudness(power) > SILENT)
  if (heard.length === 0) return SILENT
  const gate = loudness(mean(heard)) + RELATIVE_GATE
  return Math.max(SILENT, loudness(mean(heard.filter((power) => loudness(power) > gate))))
}

const loudness = (power: number) => -0.691 + 10 * Math.log10(power)
const mean = (list: readonly number[]) => list.reduce((sum, each) => sum + each, 0) / list.length

/** The mean square of every whole step of so many samples; of less than one step, of what there is. */
function stepPowers(samples: Float64Array, length: number): number[] {
  const powers: number[] = []
  const step = Math.min(length, samples.length)
  for (let at = 0; step > 0 && at + step <= samples.length; at += step) {
    let sum = 0
    for (let each = at; each < at + step; each++) sum += samples[each]! ** 2
    powers.push(sum / step)
  }
  return powers
}

/** K-weighted: as a head lifts high sounds, and as ears lose low ones. */
function weighted(samples: Float32Array, rate: number): Float64Array {
  const out = Float64Array.from(samples)
  filter(out, headShelf(rate))
  filter(out, lowCut(rate))
  return out
}

function filter(samples: Float64Array, { b, a }: Biquad): void {
  let x1 = 0
  let x2 = 0
  let y1 = 0
  let y2 = 0
  for (let at = 0; at < samples.length; at++) {
    const x = samples[at]!
    const y = b[0] * x + b[1] * x1 + b[2] * x2 - a[0] * y1 - a[1] * y2
    x2 = x1
    x1 = x
    y2 = y1
    y1 = y
    samples[at] = y
  }
}

// The standard gives the weights at 48 kHz only. These frequencies, gains and qualities give the same there, and
// the same filters at any other rate (bilinear transform; B. De Man, "Evaluation of implementations of the EBU R128
// loudness measurement", AES 2018).
function headShelf(rate: number): Biquad {
  const k = Math.tan((Math.PI * 1681.974450955533) / rate)
  const q = 0.7071752369554196
  const high = 10 ** (3.999843853973347 / 20)
  const band = high ** 0.4996667741545416
  const a0 = 1 + k / q + k * k
  return {
    b: [
      (high + (band * k) / q + k * k) / a0,
      (2 * (k * k - high)) / a0,
      (high - (band * k) / q + k * k) / a0,
    ],
    a: [(2 * (k * k - 1)) / a0, (1 - k / q + k * k) / a0],
  }
}

function lowCut(rate: number): Biquad {
  const k = Math.tan((Math.PI * 38.13547087602444) / rate)
  const q = 0.5003270373238773
  const a0 = 1 + k / q + k * k
  return { b: [1, -2, 1], a: [(2 * (k * k - 1)) / a0, (1 - k / q + k * k) / a0] }
}
