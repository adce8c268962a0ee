import type { Point } from '@hand-back/core'
import { away } from './away.ts'

/** A tap is over within this many milliseconds, and the second follows the first within these. */
const TAP_WITHIN = 300
const SECOND_WITHIN = 350
/** So far may a tap slip, and the second lie from the first, in CSS pixels. */
const SLIP = 10
const APART = 30

interface Touch {
  readonly pointer: number
  readonly at: Point
  readonly time: number
}

/** Knows when a finger has tapped twice at about the same place. */
export class DoubleTap {
  #began: Touch | undefined
  #tapped: Touch | undefined

  /** A finger comes down; `alone`: no other is there. */
  down(event: PointerEvent, at: Point, alone: boolean): void {
    this.#began = alone ? { pointer: event.pointerId, at, time: event.timeStamp } : undefined
    if (!alone) this.#tapped = undefined
  }

  /** A finger goes up; returns whether that was the second tap. */
  up(event: PointerEvent, at: Point): boolean {
    const began = this.#began
    this.#began = undefined
    const { pointerId: pointer, timeStamp: time } = event
    const isTap = began?.pointer === pointer && time - began.time <= TAP_WITHIN && away(at, began.at) <= SLIP
    const first = this.#tapped
    this.#tapped = isTap ? { pointer, at, time } : undefined
    if (!isTap || !first || time - first.time > SECOND_WITHIN || away(at, first.at) > APART) return false
    this.#tapped = undefined
    return true
  }
}
