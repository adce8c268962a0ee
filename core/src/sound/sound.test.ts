import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { evenGain, heard, listenTo } from './heard.ts'
import { loudnessOf, SILENT } from './loudness.ts'
import { madeUpSpeech } from './madeUpSpeech.ts'
import { PEAKS, peaksOf, readPeaks, writePeaks } from './peaks.ts'
import { spokenPart } from './spokenPart.ts'

/** A tone: `decibels` of full strength, `hertz` high. */
function tone(seconds: number, rate: number, hertz: number, decibels: number): Float32Array {
  const strength = 10 ** (decibels / 20)
  return Float32Array.from(
    { length: Math.round(seconds * rate) },
    (_, at) => strength * Math.sin((2 * Math.PI * hertz * at) / rate),
  )
}

const silence = (seconds: number, rate: number) => new Float32Array(Math.round(seconds * rate))

function joined(...parts: Float32Array[]): Float32Array {
  const all = new Float32Array(parts.reduce((sum, { length }) => sum + length, 0))
  let at = 0
  for (const part of parts) {
    all.set(part, at)
    at += part.length
  }
  return all
}

const anySamples = fc
  .array(fc.float({ min: -1, max: 1, noNaN: true }), { maxLength: 3000 })
  .map((list) => Float32Array.from(list))

describe('loudness', () => {
  // ITU-R BS.1770-4: 997 Hz at full strength in one channel is −3.01 LUFS; each dB less is one LU less.
  test.each([
    [48_000, 0, -3.01],
    [48_000, -20, -23.01],
    [44_100, -20, -23.01],
    [16_000, -30, -33.01],
  ])('of a tone at %i samples a second and %i dB is %f LUFS', (rate, decibels, expected) => {
    expect(Math.abs(loudnessOf(tone(5, rate, 997, decibels), rate) - expected)).toBeLessThan(0.06)
  })

  test('leaves out pauses, and what is far softer than the rest', () => {
    const rate = 48_000
    const loud = tone(4, rate, 997, -20)
    const alone = loudnessOf(loud, rate)
    // Blocks that lie across an edge count: a few tenths.
    expect(Math.abs(loudnessOf(joined(loud, silence(8, rate)), rate) - alone)).toBeLessThan(0.4)
    expect(Math.abs(loudnessOf(joined(loud, tone(8, rate, 997, -50)), rate) - alone)).toBeLessThan(0.4)
  })

  test('high sounds are heard louder and very low ones softer, as the curve of the standard says', () => {
    const rate = 48_000
    const at = (hertz: number) => loudnessOf(tone(3, rate, hertz, -20), rate)
    expect(at(10_000) - at(997)).toBeGreaterThan(3)
    expect(at(10_000) - at(997)).toBeLessThan(3.7)
    expect(at(997) - at(30)).toBeGreaterThan(8)
  })

  test('of silence and of nothing is the least there is; a sound of an instant has one', () => {
    expect(loudnessOf(silence(2, 48_000), 48_000)).toBe(SILENT)
    expect(loudnessOf(new Float32Array(0), 48_000)).toBe(SILENT)
    expect(loudnessOf(tone(0.05, 48_000, 997, -10), 48_000)).toBeGreaterThan(-20)
  })
})

describe('peaks', () => {
  test('are the strongest of each part, whatever the length, and come back from their letters', () => {
    fc.assert(
      fc.property(anySamples, fc.integer({ min: 1, max: 64 }), (samples, count) => {
        const peaks = peaksOf(samples, count)
        expect(peaks).toHaveLength(count)
        const strongest = samples.reduce((most, each) => Math.max(most, Math.abs(each)), 0)
        expect(Math.max(...peaks)).toBeCloseTo(strongest, 6)
        readPeaks(writePeaks(peaks)).forEach((peak, at) => {
          expect(Math.abs(peak - peaks[at]!)).toBeLessThanOrEqual(0.5 / 63 + 1e-9)
        })
      }),
    )
  })

  test('show where it was loud', () => {
    const peaks = peaksOf(joined(silence(1, 8000), tone(1, 8000, 200, 0)), 4)
    expect(peaks.map((peak) => Math.round(peak))).toEqual([0, 0, 1, 1])
  })
})

describe('silence at both ends', () => {
  test('is left out but for a breath; a pause in the middle stays', () => {
    const rate = 16_000
    const speech = tone(1, rate, 300, -12)
    const part = spokenPart(
      joined(silence(2, rate), speech, silence(3, rate), speech, silence(4, rate)),
      rate,
    )
    expect(part.from).toBeCloseTo(1.8, 1)
    expect(part.to).toBeCloseTo(7.2, 1)
  })

  test('a room that hums is silence, too; what is silent throughout is all there is', () => {
    const rate = 16_000
    const hum = (seconds: number) => tone(seconds, rate, 50, -62)
    expect(spokenPart(joined(hum(2), tone(1, rate, 300, -12), hum(2)), rate).from).toBeCloseTo(1.8, 1)
    expect(spokenPart(hum(2), rate)).toEqual({ from: 0, to: 2 })
  })

  test('it is a part of the whole', () => {
    fc.assert(
      fc.property(anySamples, fc.integer({ min: 50, max: 48_000 }), (samples, rate) => {
        const { from, to } = spokenPart(samples, rate)
        expect(from).toBeGreaterThanOrEqual(0)
        expect(to).toBeGreaterThanOrEqual(from)
        expect(to).toBeLessThanOrEqual(samples.length / rate)
      }),
    )
  })
})

test('what a device hears in any recording is something that school takes, and it is never lifted past full strength', () => {
  fc.assert(
    fc.property(anySamples, (samples) => {
      const found = listenTo(samples, 8000)
      expect(heard.safeParse(found).error).toBeUndefined()
      expect(found.peaks).toHaveLength(PEAKS)
      const strongest = Math.max(...readPeaks(found.peaks))
      expect(evenGain(found) * strongest).toBeLessThanOrEqual(1 + 1e-9)
    }),
  )
})

test('a soft voice is played as loud as a loud one', () => {
  const rate = 16_000
  const soft = listenTo(tone(2, rate, 300, -34), rate)
  const loud = listenTo(tone(2, rate, 300, -14), rate)
  const played = ({ loudness }: typeof soft, gain: number) => loudness + 20 * Math.log10(gain)
  expect(Math.abs(played(soft, evenGain(soft)) - played(loud, evenGain(loud)))).toBeLessThan(0.5)
})

test('made-up speech is heard as speech is: about as loud, with breaths between, the same each time', () => {
  const rate = 16_000
  const speech = madeUpSpeech(6, rate)
  expect(speech).toHaveLength(6 * rate)
  expect(madeUpSpeech(6, rate)).toEqual(speech)
  expect(Math.max(...peaksOf(speech))).toBeLessThanOrEqual(1)
  const { loudness, from, to } = listenTo(speech, rate)
  expect(loudness).toBeGreaterThan(-35)
  expect(loudness).toBeLessThan(-12)
  expect(from).toBeLessThan(0.4)
  expect(to).toBeGreaterThan(5)
  const silent = peaksOf(speech, 60).filter((peak) => peak < 0.01).length
  expect(silent).toBeGreaterThan(3)
  expect(silent).toBeLessThan(40)
})
