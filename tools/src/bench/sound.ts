import { randomUUID } from 'node:crypto'
import {
  type Item,
  type KeptEvent,
  listenTo,
  Replay,
  type Talk,
  talkThrough,
  type VoiceNote,
} from '@hand-back/core'
import { openBrowser } from '../setup/browser.ts'
import type { Figure } from './figure.ts'
import { handwriting } from './strokes.ts'
import { wavHead } from './wavHead.ts'

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
    ...openingFigures(),
  ]
}

const LESSON = 60
/** As many as a hand that never rests writes in a second. */
const STROKES_A_SECOND = 2
const ON_A_PAGE = 400

/** A talk-through of an hour opened late, against at its beginning: read, and all of its strokes until then laid. */
function openingFigures(): Figure[] {
  const count = LESSON * 60 * STROKES_A_SECOND
  const ink = handwriting(200)
  const pages = Array.from({ length: count / ON_A_PAGE }, () => randomUUID())
  const common = { layer: 'work', author: 'a', round: 1, act: 'add' } as const
  const kept = (index: number, item: Item): KeptEvent => {
    const at = (index * 1000) / STROKES_A_SECOND
    const page = pages[Math.min(pages.length - 1, Math.floor(index / ON_A_PAGE))]!
    return { ...common, id: randomUUID(), page, madeAt: at, seq: index + 1, keptAt: at, items: [item] }
  }
  const strokes = Array.from({ length: count }, (_, index) =>
    kept(index, { ...ink[index % ink.length]!, id: randomUUID() }),
  )
  const talk: Talk = { clock: [[0, 0]], turns: [] }
  const at = { x: 0, y: 0, recording: randomUUID(), seconds: LESSON * 60 }
  const note: VoiceNote = { ...at, id: randomUUID(), kind: 'voice', talk }
  const log = [...strokes, kept(count, note)]
  const opened = (minute: number) => {
    const began = performance.now()
    new Replay(talkThrough(log, note.id)!).at(minute * 60)
    return performance.now() - began
  }
  opened(50)
  const best = (minute: number) => Math.min(...Array.from({ length: 5 }, () => opened(minute)))
  return [
    {
      name: `a talk-through of ${LESSON} minutes, ${count} strokes, opened at minute 50`,
      value: best(50),
      unit: 'ms',
      reference: { name: 'opened at minute 0', value: best(0) },
      heldTo: '≤ 100 ms',
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
    { head: [...wavHead(samples, RECORDED)], samples, heard: HEARD },
  )
  await browser.close()
  return took
}
