import { randomUUID } from 'node:crypto'
import {
  arePensDown,
  type CopyWhole,
  type LessonOfCopy,
  type OwnLessonTold,
  type PageEvent,
  type Stroke,
} from '@hand-back/core'
import type { Visitor } from '@hand-back/server/test/visitor.ts'
import type { PageInk } from '../answers.ts'
import type { Temper } from './tempers.ts'

/** Where one is, is told so often, in milliseconds. */
const TELLS_EVERY = 10_000
/** So long after help came, in milliseconds, somebody has read it. */
const READS_HELP = 6000

const pause = (milliseconds: number) => new Promise((done) => setTimeout(done, milliseconds))

/** Somebody of the pretend class: opens a copy, writes, thinks, gets stuck, is helped, and listens to the teacher. */
export class PretendStudent {
  readonly #visitor: Visitor
  readonly #copy: CopyWhole
  readonly #temper: Temper
  #page: string
  #away = false
  #lastDone = Date.now()
  #lesson: LessonOfCopy | undefined
  #helped = false

  constructor(visitor: Visitor, copy: CopyWhole, temper: Temper) {
    this.#visitor = visitor
    this.#copy = copy
    this.#temper = temper
    this.#page = copy.pages[0]!.id
    this.#lastDone -= temper.stillFor ?? 0
  }

  /** Works through `ink`, as far as it is not there yet; ends when all of it is written. */
  async work(ink: PageInk): Promise<void> {
    const written = await this.#open()
    const strokes = [...ink].flatMap(([page, of]) => of.map((stroke) => ({ page, stroke })))
    for (const [index, { page, stroke }] of strokes.entries()) {
      if (index < written) continue
      const { pace, thinksAfter, thinksFor, stuckAfter, away } = this.#temper
      if (index === stuckAfter) await this.#beStuck()
      if (index === away?.after) await this.#lookElsewhere(away.for)
      if (index % thinksAfter === thinksAfter - 1) await pause(thinksFor)
      // Those who sat still when the teacher came wrote before.
      if (this.#temper.stillFor === undefined || this.#helped) await pause(pace * (0.6 + Math.random() * 0.8))
      await this.#write(this.#copy.pages[page]!.id, stroke)
    }
  }

  async #open(): Promise<number> {
    const { id } = this.#copy
    await this.#visitor.post(`/copies/${id}/open`)
    const device = await this.#visitor.device()
    device.on('whereAreYou', (handout) => handout === this.#copy.handout && void this.#tell())
    device.on('lesson', (handout) => handout === this.#copy.handout && void this.#listen())
    device.on('lookHere', ({ copy, page }) => copy === id && this.#turnTo(page))
    device.on('events', ({ events }) => {
      if (events.some(({ layer }) => layer === 'help')) this.#helped = true
    })
    const answer = await this.#visitor.follow(id)
    setInterval(() => void this.#tell(), TELLS_EVERY).unref()
    await this.#listen()
    await this.#tell()
    return answer.ok ? answer.events.filter(({ layer, act }) => layer === 'work' && act === 'add').length : 0
  }

  async #listen(): Promise<void> {
    const { lesson } = await this.#visitor.get<OwnLessonTold>(`/copies/${this.#copy.id}/lesson`)
    const before = this.#lesson?.look?.at
    this.#lesson = lesson
    if (lesson.look && lesson.look.at !== before) this.#turnTo(lesson.look.page)
  }

  /** Writes one stroke, as soon as pens may be taken up; what school did not take is said again later. */
  async #write(page: string, stroke: Stroke): Promise<void> {
    const event: PageEvent = {
      ...{ id: randomUUID(), page, layer: 'work', madeAt: Date.now(), act: 'add' },
      items: [{ ...stroke, id: randomUUID() }],
    }
    for (;;) {
      while (this.#mustWait()) await pause(700)
      this.#turnTo(page)
      const answer = await this.#visitor.keep(this.#copy.id, [event])
      if (answer.ok && answer.fates[0]?.fate === 'kept') break
      await pause(1500)
    }
    if (this.#temper.stillFor === undefined || this.#helped) this.#lastDone = Date.now()
  }

  #mustWait(): boolean {
    const { pensDownAt = null, look } = this.#lesson ?? {}
    return arePensDown(pensDownAt, Date.now()) || look?.keeps === true
  }

  async #beStuck(): Promise<void> {
    const { asksAfter } = this.#temper
    if (asksAfter !== undefined) {
      await pause(asksAfter)
      await this.#visitor.post(`/copies/${this.#copy.id}/hand-up`)
    }
    while (!this.#helped) await pause(1000)
    await pause(READS_HELP)
    if (asksAfter !== undefined) await this.#visitor.post(`/copies/${this.#copy.id}/hand-down`)
  }

  async #lookElsewhere(long: number): Promise<void> {
    this.#away = true
    await this.#tell()
    await pause(long)
    this.#away = false
    await this.#tell()
  }

  #turnTo(page: string): void {
    if (page === this.#page || !this.#copy.pages.some(({ id }) => id === page)) return
    this.#page = page
    void this.#tell()
  }

  async #tell(): Promise<void> {
    const idle = Math.max(0, Date.now() - this.#lastDone)
    ;(await this.#visitor.device()).emit('here', {
      ...{ copy: this.#copy.id, page: this.#page, away: this.#away, idle },
    })
  }
}
