import { Problem } from '../../api/ask.ts'
import { openFilmCamera, openMicrophone } from '../../practice/devices.ts'
import { isPractising } from '../../practice/practising.ts'
import { sayLasting, sayProblem } from '../../ui/notices.ts'

/** A recording that ended. */
export interface Recorded {
  readonly bytes: Blob
  readonly seconds: number
}

/** Why nothing can be recorded, in a sentence. */
export class CannotRecord extends Problem {
  constructor(sentence: string) {
    super(sentence, 0)
  }
}

/** Says why nothing was recorded: that there is no microphone or camera stays until it is read. */
export function sayNotRecorded(error: unknown): void {
  if (error instanceof CannotRecord) sayLasting(error.message)
  else sayProblem(error)
}

// Browsers record in different containers; all of these are played by all that record.
const SOUND_TYPES = ['audio/webm;codecs=opus', 'audio/mp4', 'audio/ogg;codecs=opus']
const FILM_TYPES = ['video/webm;codecs=vp8,opus', 'video/mp4']
/** What was said is given away this often, in milliseconds: it is the most that can be lost. */
const PIECE_EVERY = 1000
/** Bits a second: speech in one channel, and the pictures of a film: five minutes fill no more than an attachment may have. */
const SPEECH = 32_000
const PICTURES = 600_000

/** The camera that looks away from whoever holds the device, or towards them. */
export type Camera = 'away' | 'towards'

/** Who is told of what is recorded. */
export interface Hears {
  /** Another piece of sound: together with those before it, it can be played. `seconds`: how long they are. */
  onPiece(piece: Blob, seconds: number): void
  onEnd(recorded: Recorded): void
}

/** A recording under way. It stops by itself when the longest time is reached. */
export class Recorder {
  readonly #recorder: MediaRecorder
  readonly #stream: MediaStream
  readonly #meter: Meter
  readonly #pieces: Blob[] = []
  readonly #longest: number
  readonly #onEnd: Hears['onEnd']
  /** How long was recorded before the last pause, in milliseconds, and since when it goes on. */
  #before = 0
  #since: number | undefined
  #begun = false
  #timer: ReturnType<typeof setTimeout> | undefined
  #dropped = false

  private constructor(stream: MediaStream, longest: number, { onPiece, onEnd }: Hears, films: boolean) {
    this.#stream = stream
    this.#longest = longest
    this.#onEnd = onEnd
    this.#meter = new Meter(stream)
    const mimeType = (films ? FILM_TYPES : SOUND_TYPES).find((type) => MediaRecorder.isTypeSupported(type))
    this.#recorder = new MediaRecorder(stream, {
      ...(mimeType ? { mimeType } : {}),
      audioBitsPerSecond: SPEECH,
      ...(films ? { videoBitsPerSecond: PICTURES } : {}),
    })
    this.#recorder.ondataavailable = ({ data }) => {
      if (data.size === 0 || this.#dropped) return
      this.#pieces.push(data)
      onPiece(data, this.seconds)
    }
    this.#recorder.onstop = () => {
      this.#release()
      if (this.#dropped) return
      onEnd({ bytes: new Blob(this.#pieces, { type: this.#recorder.mimeType }), seconds: this.seconds })
    }
    // A microphone or camera pulled out ends the recording; what was said until then stays.
    for (const track of stream.getTracks()) track.addEventListener('ended', () => this.stop())
  }

  /**
   * Begins to record, at most so many seconds; with a camera, only to look through it until `resume`. Rejects with
   * `CannotRecord`.
   */
  static async start(longest: number, hears: Hears, camera?: Camera): Promise<Recorder> {
    if (!navigator.mediaDevices && !isPractising())
      throw new CannotRecord('This browser cannot record here. Ask your teacher.')
    try {
      const stream = camera ? await openFilmCamera(pictureOf(camera), VOICE) : await openMicrophone(VOICE)
      const recorder = new Recorder(stream, longest, hears, camera !== undefined)
      // Whoever films looks first at what the camera sees.
      if (!camera) await recorder.#begin()
      return recorder
    } catch (error) {
      throw new CannotRecord(reason((error as Error).name, camera !== undefined))
    }
  }

  /** What the camera sees, where there is one. */
  get picture(): MediaStream | undefined {
    return this.#stream.getVideoTracks().length > 0 ? this.#stream : undefined
  }

  /** How long it is by now, without its pauses. */
  get seconds(): number {
    const now = this.#since === undefined ? 0 : performance.now() - this.#since
    return Math.min(this.#longest, (this.#before + now) / 1000)
  }

  /** How strong the voice is just now, 0 to 1. */
  get strength(): number {
    return this.#meter.strength()
  }

  pause(): void {
    if (this.#recorder.state !== 'recording') return
    this.#recorder.pause()
    this.#halt()
  }

  resume(): void {
    if (!this.#begun) {
      void this.#begin()
      return
    }
    if (this.#recorder.state !== 'paused') return
    this.#recorder.resume()
    this.#since = performance.now()
    this.#stopInTime()
  }

  stop(): void {
    this.#halt()
    if (this.#recorder.state !== 'inactive') this.#recorder.stop()
    else if (!this.#begun) {
      this.#release()
      if (!this.#dropped) this.#onEnd({ bytes: new Blob(), seconds: 0 })
    }
  }

  /** Ends the recording and keeps nothing of it. */
  drop(): void {
    this.#dropped = true
    this.stop()
    this.#release()
  }

  /** Fulfilled when it records: a busy device takes a while, and what is said until then is not in it. */
  #begin(): Promise<void> {
    this.#begun = true
    return new Promise((records) => {
      this.#recorder.onstart = () => {
        if (this.#recorder.state === 'recording') this.#since = performance.now()
        if (this.#since !== undefined) this.#stopInTime()
        records()
      }
      this.#recorder.addEventListener('stop', () => records())
      this.#recorder.start(PIECE_EVERY)
    })
  }

  #stopInTime(): void {
    this.#timer = setTimeout(() => this.stop(), this.#longest * 1000 - this.#before)
  }

  #halt(): void {
    clearTimeout(this.#timer)
    if (this.#since !== undefined) this.#before += performance.now() - this.#since
    this.#since = undefined
  }

  #release(): void {
    this.#meter.close()
    for (const track of this.#stream.getTracks()) track.stop()
  }
}

/** One channel: a voice has no sides. */
const VOICE = { channelCount: 1, echoCancellation: true, noiseSuppression: true, autoGainControl: true }

/** Enough to see what somebody shows or does. */
const pictureOf = (camera: Camera): MediaTrackConstraints => ({
  facingMode: camera === 'away' ? 'environment' : 'user',
  width: { ideal: 640 },
  height: { ideal: 480 },
  frameRate: { ideal: 24, max: 30 },
})

/** Listens along, to show that somebody is heard. */
class Meter {
  readonly #context = new AudioContext()
  readonly #analyser = this.#context.createAnalyser()
  readonly #samples: Float32Array<ArrayBuffer>

  constructor(stream: MediaStream) {
    this.#analyser.fftSize = 1024
    this.#samples = new Float32Array(this.#analyser.fftSize)
    this.#context.createMediaStreamSource(stream).connect(this.#analyser)
  }

  strength(): number {
    this.#analyser.getFloatTimeDomainData(this.#samples)
    return this.#samples.reduce((most, each) => Math.max(most, Math.abs(each)), 0)
  }

  close(): void {
    if (this.#context.state !== 'closed') void this.#context.close()
  }
}

/** Why there is no microphone or camera, what to do about it, and what can be done without. */
function reason(name: string, films: boolean): string {
  const what = films ? 'camera' : 'microphone'
  const without = `Without it: Add, Sound takes a ${films ? 'film' : 'recording'} made elsewhere; or write it.`
  if (name === 'NotAllowedError')
    return `The ${what} is not allowed here. Press the sign left of the address and allow it, then try again. ${without}`
  if (name === 'NotFoundError') return `This device has no ${what}. Plug one in, then try again. ${without}`
  return `The ${what} is busy in another program. Close that, then try again. ${without}`
}
