/**
 * A WAV file of one channel of 16 bits. `samples` from −1 to 1: what is beyond is cut off; `rate`: samples a second.
 * Source: Microsoft and IBM, Multimedia Programming Interface and Data Specifications 1.0 (1991), "WAVE".
 */
export function writeWav(samples: Float32Array, rate: number): Uint8Array<ArrayBuffer> {
  const bytes = new Uint8Array(HEAD + samples.length * 2)
  const view = new DataView(bytes.buffer)
  const letters = (at: number, word: string) => bytes.set(new TextEncoder().encode(word), at)
  letters(0, 'RIFF')
  view.setUint32(4, bytes.length - 8, true)
  letters(8, 'WAVEfmt ')
  view.setUint32(16, 16, true)
  // Plain numbers, one channel.
  view.setUint16(20, 1, true)
  view.setUint16(22, 1, true)
  view.setUint32(24, rate, true)
  view.setUint32(28, rate * 2, true)
  view.setUint16(32, 2, true)
  view.setUint16(34, 16, true)
  letters(36, 'data')
  view.setUint32(40, samples.length * 2, true)
  for (const [index, sample] of samples.entries()) {
    const within = Math.max(-1, Math.min(1, sample))
    view.setInt16(HEAD + index * 2, Math.round(within * 32_767), true)
  }
  return bytes
}

/** The bytes before the samples. */
const HEAD = 44
