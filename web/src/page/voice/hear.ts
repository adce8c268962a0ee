import { type Heard, writeWav } from '@hand-back/core'
import type { ToHear } from './heardWorker.ts'
import HeardWorker from './heardWorker.ts?worker'
import heardWorkerUrl from './heardWorker.ts?worker&url'
import { MOST_HEARD } from './mostHeard.ts'

/** Where the worker that listens is to be had. */
export const HEARD_WORKER: string = heardWorkerUrl

/** Speech needs no more samples a second. */
const RATE = 16_000

/** Reads a sound of any kind that browsers play, as one channel. Rejects when it is none. */
async function decoded(bytes: Blob): Promise<AudioBuffer> {
  return new OfflineAudioContext(1, 1, RATE).decodeAudioData(await bytes.arrayBuffer())
}

/** A sound of any kind that browsers play, as a WAV file of one channel. Rejects when it is none. */
export async function asWav(bytes: Blob): Promise<Uint8Array<ArrayBuffer>> {
  const sound = await new OfflineAudioContext(1, 1, WAV_RATE).decodeAudioData(await bytes.arrayBuffer())
  return writeWav(mixed(sound), WAV_RATE)
}

/** As many samples a second as recorders take. */
const WAV_RATE = 48_000

/** All channels as one. */
function mixed(sound: AudioBuffer): Float32Array {
  const samples = new Float32Array(sound.length)
  for (let channel = 0; channel < sound.numberOfChannels; channel++)
    for (const [at, sample] of sound.getChannelData(channel).entries())
      samples[at]! += sample / sound.numberOfChannels
  return samples
}

/** How long a sound is, in seconds. Rejects when it is none that can be played. */
export async function lengthOf(bytes: Blob): Promise<number> {
  return (await decoded(bytes)).duration
}

/** A device that has not heard it by then lays the note down without, in milliseconds. */
const WITHIN = 20_000

/**
 * Listens to a recording, off the main thread. Nothing where this browser cannot read what it recorded, takes too long
 * for it, or would need too much memory.
 */
export async function hear(bytes: Blob): Promise<Heard | undefined> {
  if (bytes.size > MOST_HEARD) return undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  const tooLong = new Promise<undefined>((done) => {
    timer = setTimeout(() => done(undefined), WITHIN)
  })
  try {
    return await Promise.race([listen(bytes), tooLong])
  } catch {
    return undefined
  } finally {
    clearTimeout(timer)
  }
}

async function listen(bytes: Blob): Promise<Heard> {
  const sound = await decoded(bytes)
  const worker = new HeardWorker()
  try {
    return await new Promise<Heard>((done, failed) => {
      worker.onmessage = ({ data }: MessageEvent<Heard>) => done(data)
      worker.onerror = () => failed(new Error('the worker cannot listen'))
      const samples = sound.getChannelData(0)
      const toHear: ToHear = { samples, rate: sound.sampleRate }
      worker.postMessage(toHear, [samples.buffer])
    })
  } finally {
    worker.terminate()
  }
}
