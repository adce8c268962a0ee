import {
  type Heard,
  MOST_ATTACHMENT_BYTES,
  MOST_PAUSES,
  MOST_TURNS,
  type Stroke,
  type Talk,
} from '@hand-back/core'
import { createStore, type StoreApi } from 'zustand/vanilla'
import { Problem } from '../../api/ask.ts'
import { sayProblem, saySentence } from '../../ui/notices.ts'
import { MOST_HEARD } from './mostHeard.ts'
import { silence } from './playing.ts'
import type { FilmRead } from './readFilm.ts'
import type { Camera, Hears, Recorded, Recorder } from './recorder.ts'
import type { RecordingHere, RecordingsHere, Spot } from './recordingsHere.ts'
import { sayLength } from './sayLength.ts'

/** A recording that ended and lies on no page yet. */
export interface Made extends RecordingHere {
  readonly bytes: Blob
  readonly heard: Heard | undefined
  /** How a film looks, where it is one that this device can look at. */
  readonly look: FilmRead | undefined
  /** The same in words, as far as they are typed. */
  readonly words: string
  /** It was left over when a tab ended. */
  readonly left: boolean
}

export type SpeakingState =
  | { readonly is: 'silent' }
  | {
      readonly is: 'recording'
      readonly of: RecordingHere
      readonly seconds: number
      readonly paused: boolean
      /** What the camera sees, of a film: it waits for its beginning as in a pause. */
      readonly picture: MediaStream | undefined
      /** How strong the voice was lately, the latest last, 0 to 1. */
      readonly strengths: readonly number[]
    }
  | { readonly is: 'made'; readonly made: Made }

interface Around {
  readonly person: string
  readonly copy: string
  /** The longest recording here, in seconds. */
  readonly longest: number
  /** … and the longest film. */
  readonly longestFilm: number
  /** Lays it on its page. Rejects when that cannot be now: it is offered again. */
  lay(made: Made): void | Promise<void>
  /** The page that is open. */
  openPage(): string
  /** Whether a recording lies on a page already. */
  lies(recording: string): boolean
}

/** What of this device speaking needs; replaceable in tests. */
export interface Device {
  readonly here: Pick<RecordingsHere, 'add' | 'of' | 'whole' | 'drop'>
  /** Opens the microphone, or a camera with it. Rejects with `CannotRecord`. */
  record(longest: number, hears: Hears, camera?: Camera): Promise<Pick<Recorder, Used>>
  hear(bytes: Blob): Promise<Heard | undefined>
  /** How long a sound is, in seconds. Rejects when it is none. */
  lengthOf(bytes: Blob): Promise<number>
  /** Looks at a film; nothing when it is none. */
  look(bytes: Blob): Promise<FilmRead | undefined>
  /** Says to other tabs that a recording is in use here; … */
  hold(recording: string): () => void
  /** … and which are in use in some tab. */
  held(): Promise<ReadonlySet<string>>
}
type Used = 'picture' | 'seconds' | 'strength' | 'pause' | 'resume' | 'stop' | 'drop'

/** What is shown of a voice is looked at so often, in milliseconds. */
const LOOKS_EVERY = 100
/** So many strengths are remembered: five seconds. */
const REMEMBERED = 50
/** Shorter than this was a slip of the finger, in seconds. */
const LEAST_SECONDS = 0.4
const TOO_SHORT = 'That was too short. Press Speak, talk, then press Stop.'

/**
 * Speaking on a copy: one recording at a time, from the microphone until it lies on a page. Until then every second
 * of it is on this device, and what a tab left behind is offered when the copy is opened again.
 */
export class Speaking {
  readonly state: StoreApi<SpeakingState> = createStore<SpeakingState>(() => ({ is: 'silent' }))
  readonly #around: Around
  readonly #device: Device
  readonly #here: Device['here']
  #recorder: Pick<Recorder, Used> | undefined
  /** What is recorded now, and what is done meanwhile. */
  #under: RecordingHere | undefined
  #asking = false
  #looks: ReturnType<typeof setInterval> | undefined
  #release: (() => void) | undefined
  /** What is heard in what was made last. */
  #hearing: Promise<Heard | undefined> = Promise.resolve(undefined)
  #looking: Promise<FilmRead | undefined> = Promise.resolve(undefined)
  /** What is kept is offered no more; once it is laid on its page, this device needs it no longer. */
  readonly #kept = new Set<string>()
  readonly #laid: string[] = []
  #closed = false

  constructor(around: Around, device: Device) {
    this.#around = around
    this.#device = device
    this.#here = device.here
  }

  /** Begins to record at a place. What was made before and not kept is kept: nothing said is lost. Rejects with `CannotRecord`. */
  async begin(spot: Omit<Spot, 'copy'>): Promise<void> {
    if (this.#asking || this.#recorder) return
    this.#asking = true
    silence()
    void this.keep()
    const of = this.#begun(spot, 0)
    this.#under = of
    try {
      const hears: Hears = {
        onPiece: (piece, seconds) => void this.#here.add({ ...(this.#under ?? of), seconds }, piece),
        onEnd: (recorded) => void this.#made(this.#under ?? of, recorded),
      }
      this.#recorder = await this.#device.record(this.#longestOf(of), hears, of.film)
    } finally {
      this.#asking = false
    }
    // Opening a microphone takes a while, or a question to somebody.
    if (!of.film)
      this.#under = { ...of, talk: { clock: [[0, Date.now()]], turns: [[0, this.#around.openPage()]] } }
    if (this.#closed) return this.#recorder.drop()
    this.#release = this.#device.hold(of.id)
    const { picture } = this.#recorder
    const waits = of.film !== undefined
    this.state.setState({ is: 'recording', of, seconds: 0, paused: waits, picture, strengths: [] }, true)
    this.#looks = setInterval(() => this.#look(), LOOKS_EVERY)
  }

  /** Takes a sound that was made elsewhere, as if it were spoken here. Throws a `Problem` for what cannot be taken. */
  async bring(file: Blob, spot: Omit<Spot, 'copy'>): Promise<void> {
    const look = file.type.startsWith('video/') ? await this.#device.look(file) : undefined
    const seconds = look ? filmTaken(file, look, this.#around.longestFilm) : await this.#lengthTaken(file)
    if (this.#isUnderWay() || this.#closed) return
    this.#lookAway()
    await this.keep()
    const of = this.#begun({ ...spot, ...(look ? { film: 'away' as const } : {}) }, seconds)
    await this.#here.add(of, file)
    await this.#show(of, { bytes: file, seconds }, false)
  }

  /** Looks through the other camera. Rejects with `CannotRecord`. */
  async turnCamera(): Promise<void> {
    const now = this.state.getState()
    if (now.is !== 'recording' || !now.of.film || this.#isUnderWay()) return
    this.#lookAway()
    await this.begin({ ...spotOf(now.of), film: now.of.film === 'away' ? 'towards' : 'away' })
  }

  /** Something is recorded; a camera that is only looked through records nothing. */
  #isUnderWay(): boolean {
    return this.#recorder !== undefined && !(this.#recorder.picture && this.#recorder.seconds === 0)
  }

  /** Lets go of a camera that is only looked through. */
  #lookAway(): void {
    if (!this.#recorder) return
    clearInterval(this.#looks)
    this.#recorder.drop()
    this.#recorder = undefined
    this.#under = undefined
    this.#release?.()
    this.#release = undefined
    this.state.setState({ is: 'silent' }, true)
  }

  /** Halts a recording, and goes on with it. */
  pause(): void {
    const now = this.state.getState()
    if (now.is !== 'recording') return
    if (now.paused) {
      this.#recorder?.resume()
      this.#tell(({ clock, turns }, seconds) => ({
        clock: clock.length < MOST_PAUSES ? [...clock, [seconds, Date.now()]] : clock,
        turns,
      }))
    } else this.#recorder?.pause()
    this.state.setState({ ...now, paused: !now.paused }, true)
  }

  stop(): void {
    this.#recorder?.stop()
  }

  /** Another page is open now: who listens later turns to it as well. */
  turned(page: string): void {
    this.#tell(({ clock, turns }, seconds) => ({
      clock,
      turns: turns.length < MOST_TURNS && turns.at(-1)?.[1] !== page ? [...turns, [seconds, page]] : turns,
    }))
  }

  /** Something was made on the copy, at a moment by this device's clock; its id, where no log remembers it. */
  drew(madeAt: number, thing?: string): void {
    const { talk, things = [] } = this.#under ?? {}
    const began = talk?.clock[0]?.[1]
    if (!this.#under || began === undefined || madeAt < began) return
    this.#under = {
      ...this.#under,
      drew: true,
      ...(thing === undefined ? {} : { things: [...things, [madeAt, thing]] }),
    }
  }

  /** Something was drawn meanwhile that is to be seen with the voice alone. */
  drewFor(stroke: Stroke): void {
    const now = this.state.getState()
    if (!this.#under || now.is !== 'recording') return
    const drawn = [...(this.#under.drawn ?? []), [Date.now(), stroke] as const]
    this.#under = { ...this.#under, drawn }
    this.state.setState({ ...now, of: { ...now.of, drawn } }, true)
  }

  /** What was made, in words. */
  say(words: string): void {
    const now = this.state.getState()
    if (now.is === 'made') this.state.setState({ is: 'made', made: { ...now.made, words } }, true)
  }

  /** Lays what was made on its page. */
  async keep(): Promise<void> {
    const made = this.#let()
    if (!made) return
    this.#kept.add(made.id)
    const [heard, look] = await Promise.all([this.#hearing, this.#looking])
    try {
      await this.#around.lay({ ...made, heard, look, words: made.words.trim() })
      this.#laid.push(made.id)
    } catch (error) {
      sayProblem(error)
      this.#kept.delete(made.id)
    }
    await this.offer()
  }

  /** Ends what is under way, and lays what was said on its page. */
  async finish(): Promise<void> {
    if (this.#recorder) {
      const ended = new Promise<void>((done) => {
        const forget = this.state.subscribe(({ is }) => {
          if (is === 'recording') return
          forget()
          done()
        })
      })
      this.stop()
      await ended
    }
    await this.keep()
  }

  /** Takes away what was made; returns what undoes that. */
  drop(): (() => void) | undefined {
    const made = this.#let()
    if (!made) return undefined
    const gone = this.#here.drop(made.id)
    void this.offer()
    return () => void gone.then(() => this.#bring(made))
  }

  /** Records anew in the same place. Rejects with `CannotRecord`. */
  async again(): Promise<void> {
    const made = this.#let()
    if (!made) return
    await this.#here.drop(made.id)
    await this.begin(spotOf(made))
  }

  /** Shows what was left over in this copy when a tab ended, if nothing else is shown. */
  async offer(): Promise<void> {
    const { person, copy } = this.#around
    const held = await this.#device.held()
    for (const left of await this.#here.of(person)) {
      if (left.copy !== copy || held.has(left.id) || this.#kept.has(left.id)) continue
      if (this.#around.lies(left.id)) await this.#here.drop(left.id)
      else if (this.state.getState().is === 'silent' && !this.#asking && !this.#closed) {
        const recorded = await this.#here.whole(left)
        if (recorded) return this.#show(left, recorded, true)
      }
    }
  }

  /** Ends what goes on here; what was said stays on this device. */
  close(): void {
    this.#closed = true
    clearInterval(this.#looks)
    this.#recorder?.stop()
    this.#release?.()
    for (const id of this.#laid) void this.#here.drop(id)
  }

  #tell(more: (talk: Talk, seconds: number) => Talk): void {
    const { talk } = this.#under ?? {}
    if (this.#under && talk && this.#recorder)
      this.#under = { ...this.#under, talk: more(talk, this.#recorder.seconds) }
  }

  #longestOf({ film }: Spot): number {
    return film ? this.#around.longestFilm : this.#around.longest
  }

  #begun(spot: Omit<Spot, 'copy'>, seconds: number): RecordingHere {
    const { person, copy } = this.#around
    return { ...spot, copy, person, id: crypto.randomUUID(), began: Date.now(), seconds }
  }

  #look(): void {
    const now = this.state.getState()
    if (now.is !== 'recording' || !this.#recorder || now.paused) return
    const strengths = [...now.strengths, this.#recorder.strength].slice(-REMEMBERED)
    this.state.setState({ ...now, seconds: this.#recorder.seconds, strengths }, true)
  }

  async #made(of: RecordingHere, recorded: Recorded): Promise<void> {
    clearInterval(this.#looks)
    this.#recorder = undefined
    this.#under = undefined
    if (this.#closed) return
    const { seconds } = recorded
    if (seconds >= LEAST_SECONDS) return this.#show(of, recorded, false)
    this.#release?.()
    this.#release = undefined
    this.state.setState({ is: 'silent' }, true)
    // A camera that was only looked through was no slip.
    if (seconds > 0 || !of.film) saySentence(TOO_SHORT)
    await this.#here.drop(of.id)
  }

  async #show(of: RecordingHere, recorded: Recorded, left: boolean): Promise<void> {
    this.#release ??= this.#device.hold(of.id)
    const made = { ...of, ...recorded, heard: undefined, look: undefined, words: '', left }
    const { bytes } = recorded
    this.#hearing = of.film ? Promise.resolve(undefined) : this.#device.hear(bytes)
    this.#looking = of.film ? this.#device.look(bytes) : Promise.resolve(undefined)
    this.state.setState({ is: 'made', made }, true)
    const heard = await this.#hearing
    const now = this.state.getState()
    if (now.is === 'made' && now.made.id === of.id)
      this.state.setState({ is: 'made', made: { ...now.made, heard } }, true)
  }

  /** Lets go of what was made. */
  #let(): Made | undefined {
    const now = this.state.getState()
    if (now.is !== 'made') return undefined
    this.#release?.()
    this.#release = undefined
    this.state.setState({ is: 'silent' }, true)
    return now.made
  }

  /** Brings back what was taken away: now, or once what is under way is done. */
  async #bring({
    bytes,
    heard: _heard,
    look: _look,
    words: _words,
    left: _left,
    ...of
  }: Made): Promise<void> {
    await this.#here.add(of, bytes)
    await this.offer()
  }

  /** How long a sound is, in seconds, when it is one and can be taken. Throws a `Problem` when not. */
  async #lengthTaken(file: Blob): Promise<number> {
    const { longest } = this.#around
    if (file.size > MOST_HEARD)
      throw new Problem(`This file is too large: at most ${MOST_HEARD / 1024 / 1024} MB can be taken.`, 413)
    const seconds = await this.#device.lengthOf(file).catch(() => undefined)
    if (seconds === undefined)
      throw new Problem('This is no sound that can be played. WAV, MP3, M4A, Ogg and WebM can.', 422)
    if (seconds > longest + 1)
      throw new Problem(
        `This takes ${sayLength(seconds)}. Here a recording is at most ${sayLength(longest)}.`,
        422,
      )
    return seconds
  }
}

/** Where something that was recorded was to lie. */
const spotOf = ({ page, x, y, place, to, pin, film }: Spot): Omit<Spot, 'copy'> => ({
  ...{ page, x, y },
  ...(place === undefined ? {} : { place }),
  ...(to === undefined ? {} : { to }),
  ...(pin === undefined ? {} : { pin }),
  ...(film === undefined ? {} : { film }),
})

/** How long a film is, in seconds, when it can be taken. Throws a `Problem` when not. */
function filmTaken(file: Blob, { seconds }: FilmRead, longest: number): number {
  const megabytes = MOST_ATTACHMENT_BYTES / 1024 / 1024
  if (longest === 0) throw new Problem('Here are no films. Take a picture, or write it.', 422)
  if (file.size > MOST_ATTACHMENT_BYTES)
    throw new Problem(
      `This film is too large: at most ${megabytes} MB can be taken. Film it here: Add, Film.`,
      413,
    )
  if (seconds > longest + 1)
    throw new Problem(`This takes ${sayLength(seconds)}. Here a film is at most ${sayLength(longest)}.`, 422)
  return seconds
}
