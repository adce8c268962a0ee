import { spawnSync } from 'node:child_process'
import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { madeUpSpeech } from './madeUpSpeech.ts'
import { writeWav } from './wav.ts'

const readSample = (wav: Uint8Array, index: number) =>
  new DataView(wav.buffer).getInt16(44 + index * 2, true) / 32_767

test('every sample comes out within a step of 16 bits; what is too loud is cut off', () => {
  fc.assert(
    fc.property(fc.float32Array({ min: -2, max: 2, noNaN: true, maxLength: 200 }), (samples) => {
      const wav = writeWav(samples, 16_000)
      expect(wav).toHaveLength(44 + samples.length * 2)
      for (const [index, sample] of samples.entries())
        expect(Math.abs(readSample(wav, index) - Math.max(-1, Math.min(1, sample)))).toBeLessThan(1 / 32_767)
    }),
  )
})

test('the head says what follows, as a program that shares no code with ours reads it', () => {
  const wav = writeWav(madeUpSpeech(2, 16_000), 16_000)
  const view = new DataView(wav.buffer)
  expect(view.getUint32(4, true)).toBe(wav.length - 8)
  expect(view.getUint32(40, true)).toBe(wav.length - 44)
  // Python's own library for WAV, which ships with it.
  const read = spawnSync(
    'python3',
    ['-c', 'import sys,wave,io; w=wave.open(io.BytesIO(sys.stdin.buffer.read())); print(w.getparams()[:4])'],
    { input: wav, encoding: 'utf8' },
  )
  if (read.error) return expect(new TextDecoder().decode(wav.subarray(8, 12))).toBe('WAVE')
  expect(read.stdout.trim()).toBe('(1, 2, 16000, 32000)')
})
