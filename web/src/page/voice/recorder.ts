import { MOST_VOICE_SECONDS } from '@hand-back/core'

/** A recording that ended. */
export interface Recorded {
  readonly bytes: Blob
  readonly seconds: number
}

/** Why nothing can be recorded, in a sentence. */
export class NoMicrophone extends Error {}

// Browsers record in different containers; all of these are played by all that record.
const TYPES = ['audio/webm;codecs=opus', 'audio/mp4', 'audio/ogg;codecs=opus']

/** A recording under way. It stops by itself when the longest time is reached. */
export class Recorder {
  readonly #recorder: MediaRecorder
  readonly #stream: MediaStream
  readonly #pieces: Blob[] = []
  readonly #startedAt = performance.now()
  readonly #ended: Promise<void>
  readonly #timer: ReturnType<typeof setTimeout>
  #dropped = false

  private constructor(stream: MediaStream, onEnd: (recorded: Recorded) => void) {
    this.#stream = stream
    const mimeType = TYPES.find((type) => MediaRecorder.isTypeSupported(type))
    this.#recorder = new MediaRecorder(stream, {
      ...(mimeType ? { mimeType } : {}),
      audioBitsPerSecond: 32_000,
    })
    this.#recorder.ondataavailable = ({ data }) => this.#pieces.push(data)
    this.#ended = new Promise((done) => {
      this.#recorder.onstop = () => done()
    })
    void this.#ended.then(() => {
      for (const track of stream.getTracks()) track.stop()
      const seconds = Math.min(MOST_VOICE_SECONDS, this.seconds)
      if (!this.#dropped) onEnd({ bytes: new Blob(this.#pieces, { type: this.#recorder.mimeType }), seconds })
    })
    // A microphone pulled out ends the recording; what was said until then stays.
    stream.getTracks()[0]?.addEventListener('ended', () => this.stop())
    this.#recorder.start()
    this.#timer = setTimeout(() => this.stop(), MOST_VOICE_SECONDS * 1000)
  }

  /** Begins to record. Rejects with `NoMicrophone`. */
  static async start(onEnd: (recorded: Recorded) => void): Promise<Recorder> {
    if (!navigator.mediaDevices) throw new NoMicrophone('This browser cannot record here. Ask your teacher.')
    try {
      return new Recorder(await navigator.mediaDevices.getUserMedia({ audio: true }), onEnd)
    } catch (error) {
      throw new NoMicrophone(reason((error as Error).name))
    }
  }

  get seconds(): number {
    return (performance.now() - this.#startedAt) / 1000
  }

  stop(): void {
    clearTimeout(this.#timer)
    if (this.#recorder.state !== 'inactive') this.#recorder.stop()
  }

  /** Ends the recording and keeps nothing of it. */
  drop(): void {
    this.#dropped = true
    this.stop()
    for (const track of this.#stream.getTracks()) track.stop()
  }
}

function reason(name: string): string {
  if (name === 'NotAllowedError')
    return 'The microphone is not allowed here. Allow it at the address bar, then try again.'
  if (name === 'NotFoundError') return 'This device has no microphone. Plug one in, or write instead.'
  return 'The microphone is busy in another program. Close that, then try again.'
}
