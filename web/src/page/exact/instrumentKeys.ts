import { felt, type Instrument, mm } from '@hand-back/core'
import type { KeyboardEvent } from 'react'
import type { Instruments } from './instruments.ts'

/** How far an arrow key moves an instrument, in millimetres, and how far R turns it, in degrees; with Shift ten times, or back. */
const STEP = 1
const FAR = 10
const TURN = 15
const WAYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** What keys do to the instrument that has them: arrows move it, R turns it, + and − turn its arm, its pencil or itself by one, Escape takes it up. */
export function instrumentKeys(event: KeyboardEvent, instrument: Instrument, instruments: Instruments): void {
  const next = after(event, instrument)
  if (next === undefined) return
  // It is not the page's.
  event.preventDefault()
  event.stopPropagation()
  if (next === 'up') instruments.takeUp()
  else instruments.lay(next)
}

function after(
  { key, shiftKey, ctrlKey, metaKey, altKey }: KeyboardEvent,
  now: Instrument,
): Instrument | 'up' | undefined {
  if (ctrlKey || metaKey || altKey) return undefined
  if (key === 'Escape' || key === 'Delete' || key === 'Backspace') return 'up'
  const way = WAYS[key]
  if (way) {
    const far = mm(shiftKey ? FAR : STEP)
    return { ...now, at: { x: now.at.x + way[0] * far, y: now.at.y + way[1] * far } }
  }
  if (key.toLowerCase() === 'r') return { ...now, turn: felt(now.turn + (shiftKey ? -TURN : TURN)) }
  const by = key === '+' || key === '=' ? 1 : key === '-' ? -1 : 0
  return by === 0 ? undefined : finely(now, by)
}

function finely(now: Instrument, by: 1 | -1): Instrument {
  switch (now.kind) {
    case 'ruler':
      return { ...now, turn: now.turn + by }
    case 'protractor':
      return { ...now, arm: Math.min(180, Math.max(0, now.arm + by)) }
    case 'compasses':
      return { ...now, radius: Math.max(mm(1), now.radius + mm(by)) }
  }
}
