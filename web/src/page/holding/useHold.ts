import {
  type Bounds,
  type Box,
  type Boxed,
  fitHeight,
  type Handle,
  type Point,
  type PrintedItem,
  resizeItem,
  type Similarity,
  type SnapGuide,
  type SnapLines,
  similarity,
} from '@hand-back/core'
import { type PointerEvent, useRef, useState } from 'react'
import { measure } from '../draw/letters.ts'
import { toPage, type View } from '../view/view.ts'
import { type Finger, type Grip, snappedDrag, snappedMove } from './grips.ts'

/** What is picked and can be held: where it lies, what it comes to lie on, and what happens when it is let go. */
export interface Holdable {
  /** Around all of it as it is seen. */
  readonly bounds: Bounds
  /** The one thing that is picked, where it lies in a box: it has handles of its own. */
  readonly only: Boxed | undefined
  /** What of it comes to lie on lines: around its boxes, without the width of their rims. */
  readonly edges: Box
  /** Lines that it comes to lie on when it comes near. */
  lines(): SnapLines
  /** Whether it is in the air: then it is drawn there and nowhere else. */
  lift(lifted: boolean): void
  move(by: Similarity): void
  reshape(handle: Handle, dx: number, dy: number): void
  /** Pressed and let go again at once. */
  tap?(): void
}

/** What is held, and how far it has come. */
export interface Hold {
  readonly holding: boolean
  readonly by: Similarity
  /** The one thing in another size. */
  readonly shaped: Boxed | undefined
  readonly guides: readonly SnapGuide[]
  readonly lifted: boolean
  /** A pointer came down on it. */
  take(event: PointerEvent<HTMLElement>, grip: Grip): void
  drag(event: PointerEvent): void
  letGo(event: PointerEvent): void
  giveUp(): void
}

/** A shorter way than this is a tap, in CSS pixels: a mouse lies stiller than a finger. */
const TAP = { mouse: 3, other: 5 }

interface InHand {
  readonly by: Similarity
  readonly shaping: { readonly handle: Handle; readonly dx: number; readonly dy: number } | undefined
  readonly guides: readonly SnapGuide[]
}

const NOTHING: InHand = { by: similarity.identity, shaping: undefined, guides: [] }

/**
 * Moving, making larger and turning what is picked, by pen, mouse, or one or two fingers, wherever it lies:
 * on a worksheet being prepared or on a copy. `held` may come only after the pointer that picked it.
 */
export function useHold(held: Holdable | undefined, view: View): Hold {
  const [{ by, shaping, guides }, setSeen] = useState(NOTHING)
  // A quick hand lets go before the last of its way has been seen: what counts is where it is, not what is shown.
  const inHand = useRef(NOTHING)
  const setInHand = (now: InHand) => {
    inHand.current = now
    setSeen(now)
  }
  const [holding, setHolding] = useState(false)
  const fingers = useRef(new Map<number, Finger>())
  const grip = useRef<Grip>({ what: 'box' })
  const settled = useRef<Similarity>(similarity.identity)
  const far = useRef(false)

  const giveUp = () => {
    if (fingers.current.size === 0 && !far.current) return
    fingers.current.clear()
    far.current = false
    setInHand(NOTHING)
    setHolding(false)
    held?.lift(false)
  }
  return {
    holding,
    by,
    shaped: shaping && held?.only ? shapedBy(held.only, shaping) : undefined,
    guides,
    lifted: by !== similarity.identity || shaping !== undefined,
    take(event, taken) {
      if (event.button !== 0 || fingers.current.size > 1) return
      event.stopPropagation()
      event.currentTarget.setPointerCapture(event.pointerId)
      const at = placeOf(event, view)
      if (fingers.current.size === 0) {
        grip.current = taken
        settled.current = similarity.identity
        far.current = false
      } else settled.current = inHand.current.by
      // With another finger down, both begin from where they are now.
      for (const finger of fingers.current.values()) finger.from = finger.at
      fingers.current.set(event.pointerId, { from: at, at })
      setHolding(true)
    },
    drag(event) {
      const finger = fingers.current.get(event.pointerId)
      if (!finger || !held) return
      finger.at = placeOf(event, view)
      const gone = Math.hypot(finger.at.x - finger.from.x, finger.at.y - finger.from.y) * view.scale
      const tap = event.pointerType === 'mouse' ? TAP.mouse : TAP.other
      if (!far.current && gone < tap && fingers.current.size === 1) return
      if (!far.current) held.lift(true)
      far.current = true
      const freely = { scale: view.scale, freely: event.altKey }
      if (grip.current.what === 'handle') {
        const { only } = held
        if (!only) return
        const { handle } = grip.current
        const { dx, dy, guides } = snappedDrag(only, handle, finger, held.lines(), freely)
        setInHand({ by: similarity.identity, shaping: { handle, dx, dy }, guides })
      } else {
        const all = [...fingers.current.values()]
        const { by, guides } = snappedMove(all, grip.current, held, freely)
        setInHand({ by: similarity.compose(settled.current, by), shaping: undefined, guides })
      }
    },
    letGo(event) {
      if (!fingers.current.delete(event.pointerId)) return
      if (fingers.current.size > 0) {
        settled.current = inHand.current.by
        grip.current = { what: 'box' }
        for (const other of fingers.current.values()) other.from = other.at
        return
      }
      const last = inHand.current
      if (!far.current) held?.tap?.()
      else if (last.shaping) held?.reshape(last.shaping.handle, last.shaping.dx, last.shaping.dy)
      else held?.move(last.by)
      far.current = true
      giveUp()
    },
    giveUp,
  }
}

function shapedBy(only: Boxed, { handle, dx, dy }: NonNullable<InHand['shaping']>): Boxed {
  return fitHeight(resizeItem(only as PrintedItem, handle, dx, dy), measure)
}

/** Where a pointer is on the page. */
export function placeOf(event: PointerEvent, view: View): Point {
  const surface = event.currentTarget.closest('[data-surface]')!.getBoundingClientRect()
  return toPage(view, { x: event.clientX - surface.left, y: event.clientY - surface.top })
}
