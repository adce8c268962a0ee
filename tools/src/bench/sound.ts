import { listenTo } from '@hand-back/core'
import { openBrowser } from '../setup/browser.ts'
import type { Figure } from './figure.ts'

const MINUTES = 10
/** What a device decodes, and what it listens to, in samples a second. */
const [RECORDED, HEARD] = [48_000, 16_000]

/** Listening to a long recording (peaks, loudness, silence), against the browser's own decoding of the same. */
export async function soundFigures(): Promise<Figure[]> {
  const speech = Float32Array.from({ length: MINUTES * 60 * HEARD }, (_, at) => syllable(at / HEARD))
  listenTo(speech.subarray(0, HEARD * 20), HEARD)
  const began = performance.now()
  listenTo(speech, HEARD)
  const value = performance.now() - began
  return [
    {
      name: `listening to ${MINUTES} minutes of speech`,
      value,
      unit: 'ms',
      reference: { name: 'decoding it in the browser', value: await decoding() },
      heldTo: '≤ 1 ×',
    },
  ]
}

/** A tone that swells and fades four times a second. */
const syllable = (second: number) => 0.3 * Math.sin(900 * second) * Math.abs(Math.sin(4 * Math.PI * second))

async function decoding(): Promise<number> {
  const browser = await openBrowser()
  const page = await browser.newPage()
  const samples = MINUTES * 60 * RECORDED
  const took = await page.evaluate(
    async ({ head, samples, heard }) => {
      const wav = new Uint8Array(head.length + samples * 2)
      wav.set(head)
      const said = new Int16Array(wav.buffer, head.length)
      for (let at = 0; at < samples; at++) said[at] = 9000 * Math.sin(at / 50)
      const start = performance.now()
      await new OfflineAudioContext(1, 1, heard).decodeAudioData(wav.buffer)
      return performance.now() - start
    },
    { head: [...wavHead(samples)], samples, heard: HEARD },
  )
  await browser.close()
  return took
}

/** What a WAV file of one channel of 16 bits begins with. */
function wavHead(samples: number): Buffer {
  const head = Buffer.alloc(44)
  head.write('RIFF', 0)
  head.writeUInt32LE(36 + samples * 2, 4)
  head.write('WAVEfmt ', 8)
  head.writeUInt32LE(16, 16)
  head.writeUInt16LE(1, 20)
  head.writeUInt16LE(1, 22)
  head.writeUInt32LE(RECORDED, 24)
  head.writeUInt32LE(RECORDED * 2, 28)
  head.writeUInt16LE(2, 32)
  head.writeUInt16LE(16, 34)
  head.write('data', 36)
  head.writeUInt32LE(samples * 2, 40)
  return head
}
