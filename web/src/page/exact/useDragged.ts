import { felt, type Instrument, mm, type Point, turnFrom } from '@hand-back/core'
import { type PointerEvent, useRef } from 'react'
import { toPage, type View } from '../view/view.ts'
import type { Instruments } from './instruments.ts'

/** What of an instrument is taken hold of. */
export type Grip = 'body' | 'turn' | 'arm' | 'pencil'

interface Dragging {
  readonly grip: Grip
  /** Where the pointers are, on the page. */
  readonly pointers: Map<number, Point>
  /** How it is turned by the hand, before level and upright are felt. */
  turn: number
}

/** A touch broader than this many CSS pixels is a palm that rests on it. */
const PALM = 55

/** Moving, turning and setting an instrument: with one pointer, or with two fingers at once. */
export function useDragged(instruments: Instruments, view: View) {
  const dragging = useRef<Dragging>(undefined)
  const placeOf = (event: PointerEvent): Point => {
    const box = event.currentTarget.closest('[data-surface]')!.getBoundingClientRect()
    return toPage(view, { x: event.clientX - box.left, y: event.clientY - box.top })
  }
  const down = (grip: Grip) => (event: PointerEvent) => {
    const { instrument } = instruments.state.getState()
    if (!instrument || event.button !== 0 || Math.max(event.width, event.height) > PALM) return
    event.currentTarget.setPointerCapture(event.pointerId)
    dragging.current ??= { grip, pointers: new Map(), turn: instrument.turn }
    dragging.current.pointers.set(event.pointerId, placeOf(event))
  }
  const move = (event: PointerEvent) => {
    const now = dragging.current
    const { instrument } = instruments.state.getState()
    const before = now?.pointers.get(event.pointerId)
    if (!now || !instrument || !before) return
    const at = placeOf(event)
    const other = [...now.pointers].find(([id]) => id !== event.pointerId)?.[1]
    now.pointers.set(event.pointerId, at)
    const next =
      now.grip === 'body' ? moved(instrument, before, at, other, now) : set(instrument, now, before, at)
    if (next.turn !== instrument.turn && next.turn % 90 === 0) navigator.vibrate?.(12)
    instruments.lay(next)
  }
  const up = (event: PointerEvent) => {
    dragging.current?.pointers.delete(event.pointerId)
    if (dragging.current?.pointers.size === 0) dragging.current = undefined
  }
  return (grip: Grip) => ({
    onPointerDown: down(grip),
    onPointerMove: move,
    onPointerUp: up,
    onPointerCancel: up,
  })
}

/** Carried along; while another finger rests, turned about it. */
function moved(
  instrument: Instrument,
  before: Point,
  at: Point,
  other: Point | undefined,
  now: Dragging,
): Instrument {
  if (!other) {
    const { x, y } = instrument.at
    return { ...instrument, at: { x: x + at.x - before.x, y: y + at.y - before.y } }
  }
  now.turn += turnFrom(other, at) - turnFrom(other, before)
  return turnedAbout(instrument, other, felt(now.turn))
}

/** Turned to an angle about a place of the page. */
export function turnedAbout(instrument: Instrument, about: Point, turn: number): Instrument {
  const by = ((turn - instrument.turn) * Math.PI) / 180
  const [dx, dy] = [instrument.at.x - about.x, instrument.at.y - about.y]
  return {
    ...instrument,
    turn,
    at: {
      x: about.x + dx * Math.cos(by) - dy * Math.sin(by),
      y: about.y + dx * Math.sin(by) + dy * Math.cos(by),
    },
  }
}

/** One of its parts set: how it is turned, the arm of a protractor, the pencil of compasses. */
function set(instrument: Instrument, now: Dragging, before: Point, at: Point): Instrument {
  const angle = turnFrom(instrument.at, at)
  if (now.grip === 'arm' && instrument.kind === 'protractor') {
    const shown = (((instrument.turn - angle) % 360) + 360) % 360
    const arm = shown <= 180 ? shown : shown < 270 ? 180 : 0
    return { ...instrument, arm: Math.round(arm) }
  }
  if (now.grip === 'pencil' && instrument.kind === 'compasses') {
    const far = Math.hypot(at.x - instrument.at.x, at.y - instrument.at.y)
    return { ...instrument, turn: angle, radius: Math.max(1, Math.round(far / mm(1))) * mm(1) }
  }
  now.turn += angle - turnFrom(instrument.at, before)
  return { ...instrument, turn: felt(now.turn) }
}
