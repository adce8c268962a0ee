import type { Bounds } from '@hand-back/core'
import type { PaperAnswer, PaperSource, PaperTask } from './paperTasks.ts'

/** A drawing of a paper under way. */
export interface Drawing {
  readonly bitmap: Promise<ImageBitmap>
  /** It is not wanted any more. */
  forget(): void
}

/** A paper that cannot be drawn: its drawing never ends, or takes more than there is. */
export class TooHeavy extends Error {}

/** What draws one paper after the other and can be ended; replaceable in tests. */
export interface Drawer {
  draw(task: PaperTask): void
  /** With nothing: it ended by itself. */
  onAnswer(listener: (answer: PaperAnswer | undefined) => void): void
  end(): void
}

interface Wish extends PaperTask {
  done(bitmap: ImageBitmap): void
  failed(problem: Error): void
  wanted: boolean
}

interface Limits {
  /** A drawing that takes longer from when its bytes are here is ended, in milliseconds. */
  readonly within: number
  /** While one takes longer than this, a second drawer does the others. */
  readonly slow: number
}

/** The most drawers: one more than can be held up by one bad paper. */
const MOST_DRAWERS = 2

/**
 * Draws papers one after the other, the newest wish first: what was asked for a moment ago has often
 * scrolled away. A paper whose drawing never ends is ended alone, is not tried again, and holds up nothing else.
 */
export class PaperQueue {
  readonly #newDrawer: () => Drawer
  readonly #limits: Limits
  readonly #idle: Drawer[] = []
  readonly #heavy = new Set<string>()
  #wishes: Wish[] = []
  #drawers = 0
  /** Drawers whose paper takes long: they do not count among those that others wait for. */
  #held = 0
  #nextId = 1

  constructor(newDrawer: () => Drawer, limits: Limits) {
    this.#newDrawer = newDrawer
    this.#limits = limits
  }

  draw(source: PaperSource, part: Bounds, scale: number): Drawing {
    const name = `${source.url} ${source.kind === 'pdf' ? source.number : ''}`
    if (this.#heavy.has(name))
      return { bitmap: Promise.reject(new TooHeavy('it could not be drawn before')), forget: () => {} }
    let wish: Wish | undefined
    const bitmap = new Promise<ImageBitmap>((done, failed) => {
      wish = { id: this.#nextId++, source, part, scale, done, failed, wanted: true }
      this.#wishes.push(wish)
    })
    this.#next()
    return {
      bitmap,
      forget: () => {
        wish!.wanted = false
        this.#wishes = this.#wishes.filter((each) => each !== wish)
      },
    }
  }

  /** Starts a drawer before the first is wanted. */
  warm(): void {
    if (this.#drawers === 0) this.#idle.push(this.#make())
  }

  #make(): Drawer {
    this.#drawers++
    return this.#newDrawer()
  }

  #next(): void {
    if (this.#wishes.length === 0) return
    const drawer = this.#idle.pop() ?? this.#another()
    if (drawer) this.#begin(drawer, this.#wishes.pop()!)
  }

  #another(): Drawer | undefined {
    return this.#drawers - this.#held < 1 && this.#drawers < MOST_DRAWERS ? this.#make() : undefined
  }

  #begin(drawer: Drawer, wish: Wish): void {
    const { source, part, scale, id } = wish
    let held = false
    const slow = setTimeout(() => {
      held = true
      this.#held++
      this.#next()
    }, this.#limits.slow)
    const end = () => {
      clearTimeout(slow)
      clearTimeout(late)
      if (held) this.#held--
    }
    const giveUp = () => {
      end()
      drawer.end()
      this.#drawers--
      this.#heavy.add(`${source.url} ${source.kind === 'pdf' ? source.number : ''}`)
      wish.failed(new TooHeavy('it takes too long, or too much'))
      this.#next()
    }
    let late: ReturnType<typeof setTimeout> | undefined
    drawer.onAnswer((answer) => {
      if (!answer) return giveUp()
      // Until its bytes are here, it is the way from school that takes its time.
      if ('begun' in answer) {
        late = setTimeout(giveUp, this.#limits.within)
        return
      }
      end()
      if (!('bitmap' in answer)) wish.failed(new Error(answer.problem))
      else if (wish.wanted) wish.done(answer.bitmap)
      else answer.bitmap.close()
      // More than one is only needed while one is held up.
      if (this.#drawers > 1 && this.#held === 0 && this.#idle.length > 0) {
        drawer.end()
        this.#drawers--
      } else this.#idle.push(drawer)
      this.#next()
    })
    drawer.draw({ id, source, part, scale })
  }
}
