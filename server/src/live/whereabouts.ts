import {
  besideSaid,
  type DeviceMessages,
  type HereNews,
  hereNews,
  lookHere,
  type Person,
  type Pointing,
  pointing,
  type ServerMessages,
  type WhereNews,
} from '@hand-back/core'
import type { Socket } from 'socket.io'
import { type Live, rooms } from './news.ts'

type Device = Socket<DeviceMessages, ServerMessages>

type Where = Pick<WhereNews, 'page' | 'away' | 'idle' | 'at' | 'gone'>
const GONE: Where = { page: null, away: true, idle: 0, gone: true }
/** In milliseconds. */
const A_MOMENT = 500

/**
 * Tells teachers where the students of a device are, on which page of which copy, and students that a teacher looks at
 * theirs. It is told on and kept nowhere: whoever begins to walk round asks, and every device that is there answers.
 */
export class Whereabouts {
  readonly #live: Live
  readonly #device: Device
  readonly #onLeft: (copy: string) => void
  readonly #person: Person
  /** The copies that this device follows, with their hand-outs. */
  readonly #follows = new Map<string, string>()
  /** Those at which its teacher says to be. */
  readonly #beside = new Set<string>()

  /** `onLeft` is told of copies that are not open there any more. */
  constructor(live: Live, device: Device, onLeft: (copy: string) => void) {
    this.#live = live
    this.#onLeft = onLeft
    this.#device = device
    this.#person = device.data.person as Person
    device.on('here', (news) => {
      const told = hereNews.safeParse(news)
      if (told.success && this.#mayTell('student', told.data.copy)) this.#tellHere(told.data)
    })
    device.on('beside', (said) => {
      const told = besideSaid.safeParse(said)
      if (told.success && this.#mayTell('teacher', told.data.copy))
        this.#tellBeside(told.data.copy, told.data.here)
    })
    device.on('lookHere', (said) => {
      const told = lookHere.safeParse(said)
      if (told.success && this.#mayTell('teacher', told.data.copy))
        live.to(rooms.copy(told.data.copy, 'student')).emit('lookHere', told.data)
    })
    device.on('point', (at) => {
      const told = pointing.safeParse(at)
      if (told.success) this.#point(told.data)
    })
    device.on('disconnect', () => {
      for (const copy of this.#follows.keys()) this.left(copy)
    })
  }

  follows(copy: string, handout: string): void {
    this.#follows.set(copy, handout)
  }

  /**
   * It is not open here any more. Told a moment later, and only if it was not opened again: what is told through other
   * servers may overtake what was told just before.
   */
  left(copy: string): void {
    const handout = this.#follows.get(copy)
    const wasBeside = this.#beside.delete(copy)
    this.#follows.delete(copy)
    if (handout === undefined) return
    this.#onLeft(copy)
    const later = () => {
      if (this.#follows.has(copy)) return
      if (this.#person.role === 'student') this.#tellWhere(copy, handout, GONE)
      else if (wasBeside) this.#tellBeside(copy, false)
    }
    setTimeout(later, A_MOMENT).unref()
  }

  /** Only of a copy that it may follow now, in this role. */
  #mayTell(role: Person['role'], copy: string): boolean {
    return this.#person.role === role && this.#device.rooms.has(rooms.copy(copy, role))
  }

  /** Where a teacher points is shown and forgotten; who is slow misses it. */
  #point(at: Pointing): void {
    const { copy, handout } = at
    if (copy === undefined) {
      if (!this.#device.rooms.has(rooms.handout(handout))) return
      this.#live.volatile.to(rooms.audience(handout)).to(rooms.handout(handout)).emit('point', at)
    } else if (this.#mayTell('teacher', copy) && this.#follows.get(copy) === handout)
      this.#live.volatile.to(rooms.copy(copy, 'student')).to(rooms.handout(handout)).emit('point', at)
  }

  #tellHere({ copy, ...here }: HereNews): void {
    const handout = this.#follows.get(copy)
    if (handout !== undefined) this.#tellWhere(copy, handout, { ...here, gone: false })
  }

  #tellWhere(copy: string, handout: string, where: Where): void {
    this.#live.to(rooms.handout(handout)).emit('where', { handout, copy, student: this.#person.id, ...where })
  }

  #tellBeside(copy: string, here: boolean): void {
    if (here) this.#beside.add(copy)
    else this.#beside.delete(copy)
    this.#live.to(rooms.copy(copy, 'student')).emit('beside', { copy, teacher: this.#person.id, here })
  }
}
