import { type Heard, MOST_PAUSES, MOST_TURNS, type Talk } from '@hand-back/core'
import { createStore, type StoreApi } from 'zustand/vanilla'
import { Problem } from '../../api/ask.ts'
import { saySentence } from '../../ui/notices.ts'
import { MOST_HEARD } from './mostHeard.ts'
import type { Hears, Recorded, Recorder } from './recorder.ts'
import type { RecordingHere, RecordingsHere, Spot } from './recordingsHere.ts'
import { sayLength } from './sayLength.ts'

/** A recording that ended and lies on no page yet. */
export interface Made extends RecordingHere {
  readonly bytes: Blob
  readonly heard: Heard | undefined
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
      /** How strong the voice was lately, the latest last, 0 to 1. */
      readonly strengths: readonly number[]
    }
  | { readonly is: 'made'; readonly made: Made }

interface Around {
  readonly person: string
  readonly copy: string
  /** The longest recording here, in seconds. */
  readonly longest: number
  /** Lays it on its page. */
  lay(made: Made): void
  /** The page that is open. */
  openPage(): string
  /** Whether a recording lies on a page already. */
  lies(recording: string): boolean
}

/** What of this device speaking needs; replaceable in tests. */
export interface Device {
  readonly here: Pick<RecordingsHere, 'add' | 'of' | 'whole' | 'drop'>
  /** Opens the microphone. Rejects with `NoMicrophone`. */
  record(longest: number, hears: Hears): Promise<Pick<Recorder, Used>>
  hear(bytes: Blob): Promise<Heard | undefined>
  /** How long a sound is, in seconds. Rejects when it is none. */
  lengthOf(bytes: Blob): Promise<number>
  /** Says to other tabs that a recording is in use here; … */
  hold(recording: string): () => void
  /** … and which are in use in some tab. */
  held(): Promise<ReadonlySet<string>>
}
type Used = 'seconds' | 'strength' | 'pause' | 'resume' | 'stop' | 'drop'

/** What is shown of a voice is looked at so often, in milliseconds. */
const LOOKS_EVERY = 100
/** So many strengths are remembered: five seconds. */
const REMEMBERED = 50
/** Shorter than this was a slip of the finger, in seconds. */
export const LEAST_SECONDS = 0.4
export const TOO_SHORT = 'That was too short. Press Speak, talk, then press Stop.'

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
  /** What is kept is offered no more; once it is laid on its page, this device needs it no longer. */
  readonly #kept = new Set<string>()
  readonly #laid: string[] = []
  #closed = false

  constructor(around: Around, device: Device) {
    this.#around = around
    this.#device = device
    this.#here = device.here
  }

  /** Begins to record at a place. What was made before and not kept is kept: nothing said is lost. Rejects with `NoMicrophone`. */
  async begin(spot: Omit<Spot, 'copy'>): Promise<void> {
    if (this.#asking || this.#recorder) return
    this.#asking = true
    void this.keep()
    const { longest } = this.#around
    const of = this.#begun(spot, 0)
    this.#under = of
    try {
      this.#recorder = await this.#device.record(longest, {
        onPiece: (piece, seconds) => void this.#here.add({ ...(this.#under ?? of), seconds }, piece),
        onEnd: (recorded) => void this.#made(this.#under ?? of, recorded),
      })
    } finally {
      this.#asking = false
    }
    // Opening a microphone takes a while, or a question to somebody.
    this.#under = { ...of, talk: { clock: [[0, Date.now()]], turns: [[0, this.#around.openPage()]] } }
    if (this.#closed) return this.#recorder.drop()
    this.#release = this.#device.hold(of.id)
    this.state.setState({ is: 'recording', of, seconds: 0, paused: false, strengths: [] }, true)
    this.#looks = setInterval(() => this.#look(), LOOKS_EVERY)
  }

  /** Takes a sound that was made elsewhere, as if it were spoken here. Throws a `Problem` for what cannot be taken. */
  async bring(file: Blob, spot: Omit<Spot, 'copy'>): Promise<void> {
    const seconds = await this.#lengthTaken(file, this.#around.longest)
    if (this.#recorder || this.#closed) return
    await this.keep()
    const of = this.#begun(spot, seconds)
    await this.#here.add(of, file)
    await this.#show(of, { bytes: file, seconds }, false)
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

  /** Something was made on the copy, at a moment by this device's clock. */
  drew(madeAt: number): void {
    const began = this.#under?.talk?.clock[0]?.[1]
    if (this.#under && began !== undefined && madeAt >= began) this.#under = { ...this.#under, drew: true }
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
    const heard = await this.#hearing
    this.#around.lay({ ...made, heard, words: made.words.trim() })
    this.#laid.push(made.id)
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

  /** Records anew in the same place. Rejects with `NoMicrophone`. */
  async again(): Promise<void> {
    const made = this.#let()
    if (!made) return
    await this.#here.drop(made.id)
    const { page, x, y, place, to } = made
    await this.begin({
      ...{ page, x, y },
      ...(place === undefined ? {} : { place }),
      ...(to === undefined ? {} : { to }),
    })
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
    if (recorded.seconds >= LEAST_SECONDS) return this.#show(of, recorded, false)
    this.#release?.()
    this.#release = undefined
    this.state.setState({ is: 'silent' }, true)
    saySentence(TOO_SHORT)
    await this.#here.drop(of.id)
  }

  async #show(of: RecordingHere, recorded: Recorded, left: boolean): Promise<void> {
    this.#release ??= this.#device.hold(of.id)
    const made = { ...of, ...recorded, heard: undefined, words: '', left }
    this.#hearing = this.#device.hear(recorded.bytes)
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
  async #bring({ bytes, heard: _heard, words: _words, left: _left, ...of }: Made): Promise<void> {
    await this.#here.add(of, bytes)
    await this.offer()
  }

  /** How long a sound is, in seconds, when it is one and can be taken. Throws a `Problem` when not. */
  async #lengthTaken(file: Blob, longest: number): Promise<number> {
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
