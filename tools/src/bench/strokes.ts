import { randomUUID } from 'node:crypto'
import { type PageEvent, readInk, type Stroke } from '@hand-back/core'
import { type Hand, write } from '@hand-back/core/test/handwriting.ts'
import { seeded } from '@hand-back/core/test/seeded.ts'

const hand: Hand = {
  random: seeded(7),
  makeId: randomUUID,
  size: 9,
  slant: 0.2,
  wobble: 0.6,
  colour: '#1e2b3a',
  width: 1.8,
}
const TEXT =
  'The ferry sails between half past six and two o clock because the water stands over the green line then'

/** `count` strokes of handwriting, in lines down a page of A4. */
export function handwriting(count: number): Stroke[] {
  const strokes: Stroke[] = []
  for (let line = 0; strokes.length < count; line++)
    strokes.push(...write(hand, TEXT, { x: 40 + (line % 7), y: 40 + ((line * 13) % 780) }, 500, 13))
  return strokes.slice(0, count).map((stroke) => ({ ...stroke, id: randomUUID() }))
}

/** An event that adds strokes to a page. */
export function adding(page: string, items: Stroke[]): PageEvent {
  return { id: randomUUID(), page, layer: 'work', madeAt: 0, act: 'add', items }
}

/** How many points strokes have together. */
export function pointsIn(strokes: readonly Stroke[]): number {
  return strokes.reduce((sum, { points }) => sum + readInk(points)!.length, 0)
}
