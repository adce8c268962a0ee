/** One syllable: its vowel by two resonances of a mouth, in hertz, how long it is, in seconds, and the pitch it has. */
interface Syllable {
  readonly vowel: readonly [number, number]
  readonly seconds: number
  readonly pitch: number
}

const VOWELS: readonly Syllable['vowel'][] = [
  [730, 1090],
  [530, 1840],
  [270, 2290],
  [570, 840],
  [300, 870],
]
/** Whole words of syllables with a breath between them, in seconds. */
const BREATH = 0.35
const HARMONICS = 24
/** How sharp a resonance is, in hertz. */
const WIDTH = 90
const LOUDNESS = 0.28

/**
 * Speech of no language, for trying a microphone where there is none: syllables of vowels in words, with breaths
 * between. A voice is a row of harmonics, strong where the mouth resonates (source and filter; G. Fant, 1960). The
 * same each time. `rate`: samples a second; returns samples of one channel, −1 to 1.
 */
export function madeUpSpeech(seconds: number, rate: number): Float32Array<ArrayBuffer> {
  const samples = new Float32Array(Math.round(seconds * rate))
  let at = Math.round(BREATH * rate)
  for (let spoken = 0; at < samples.length; spoken++) {
    const syllable = syllableOf(spoken)
    speak(syllable, samples, at, rate)
    at += Math.round((syllable.seconds + (spoken % 5 === 4 ? BREATH : 0.03)) * rate)
  }
  return samples
}

const syllableOf = (index: number): Syllable => ({
  vowel: VOWELS[(index * 3 + (index >> 2)) % VOWELS.length]!,
  seconds: 0.14 + ((index * 7) % 5) * 0.025,
  pitch: 128 + ((index * 11) % 7) * 5,
})

function speak({ vowel, seconds, pitch }: Syllable, samples: Float32Array, from: number, rate: number): void {
  const strengths = Array.from({ length: HARMONICS }, (_, index) => resonance((index + 1) * pitch, vowel))
  const whole = strengths.reduce((sum, each) => sum + each, 0)
  const length = Math.min(Math.round(seconds * rate), samples.length - from)
  for (let step = 0; step < length; step++) {
    const swell = Math.sin((Math.PI * step) / length) ** 0.6
    const turn = (2 * Math.PI * pitch * step) / rate
    let sum = 0
    for (let harmonic = 0; harmonic < HARMONICS; harmonic++)
      sum += strengths[harmonic]! * Math.sin((harmonic + 1) * turn)
    samples[from + step] = (LOUDNESS * 2 * swell * sum) / whole
  }
}

/** How strongly a mouth of a vowel lets a tone through. */
const resonance = (hertz: number, vowel: Syllable['vowel']) =>
  vowel.reduce((sum, at) => sum + 1 / (1 + ((hertz - at) / WIDTH) ** 2), 0.02)
