import { toBase64 } from '../ink/base64.ts'
import { packPoints } from '../ink/pack.ts'
import type { InkPoint, Point } from '../ink/points.ts'
import type { Stroke } from '../ink/stroke.ts'
import { GLYPHS } from './glyphs.ts'

/** How somebody writes. */
export interface Hand {
  readonly random: () => number
  /** A UUID for each stroke. */
  readonly makeId: () => string
  /** Height of a small letter, in points. */
  readonly size: number
  /** How far a letter leans for each point of height. */
  readonly slant: number
  /** How unsteady it is, from 0 to 1. */
  readonly wobble: number
  readonly colour: string
  readonly width: number
  /** How much wider its letters are than usual; left out: 1. */
  readonly wide?: number
  /** Letters that it forms in a way of its own (`glyphs.ts`). */
  readonly forms?: Readonly<Record<string, string>>
}

/** Writes text from its line's start at `at`, breaking lines `lineHeight` apart where they pass `maxWidth` (points). */
export function write(
  hand: Hand,
  text: string,
  at: Point,
  maxWidth = Number.POSITIVE_INFINITY,
  lineHeight = 27,
): Stroke[] {
  const unit = hand.size / 6
  const across = unit * (hand.wide ?? 1)
  const strokes: Stroke[] = []
  let x = at.x
  let y = at.y
  for (const word of text.split(' ')) {
    const wide = [...word].reduce((sum, letter) => sum + (advance(letter, hand) + 0.9) * across, 0)
    if (x + wide > at.x + maxWidth && x > at.x) {
      x = at.x + hand.random() * 3
      y += lineHeight
    }
    const drift = (hand.random() - 0.5) * hand.wobble * 1.6
    for (const letter of word) {
      for (const path of pathsOf(letter, hand)) {
        const points = path.map((point) => ({
          x: x + (point.x + point.y * hand.slant + jitter(hand)) * across,
          y: y - (point.y + jitter(hand)) * unit + drift,
        }))
        strokes.push(draw(hand, points))
      }
      x += (advance(letter, hand) + 0.9 + (hand.random() - 0.5) * hand.wobble) * across
    }
    x += 4 * across
  }
  return strokes
}

/** Draws one stroke smoothly through places of the page. `nib` and width may differ from the hand's own. */
export function draw(
  hand: Hand,
  through: readonly Point[],
  look: Partial<Pick<Stroke, 'nib' | 'width' | 'colour'>> = {},
): Stroke {
  const places = sample(through, 1.3)
  let time = 0
  const points: InkPoint[] = places.map((place, index) => {
    time += 7 + Math.round(hand.random() * 3)
    const along = places.length < 2 ? 0.5 : index / (places.length - 1)
    // A pen comes down light, presses, and lifts.
    const pressure =
      0.3 + 0.35 * Math.sin(Math.PI * Math.min(1, along * 1.15 + 0.06)) + 0.06 * (hand.random() - 0.5)
    return { ...place, pressure, time }
  })
  return {
    id: hand.makeId(),
    kind: 'stroke',
    nib: 'pen',
    colour: hand.colour,
    width: hand.width,
    points: toBase64(packPoints(points)),
    ...look,
  }
}

/** A tick of about `size` points with its foot at `at`. */
export const tick = (hand: Hand, at: Point, size = 20) =>
  draw(hand, [
    at,
    { x: at.x + size * 0.3, y: at.y + size * 0.42 },
    { x: at.x + size * 0.62, y: at.y - size * 0.2 },
    { x: at.x + size, y: at.y - size * 0.8 },
  ])

/** A ring, not quite closed, around a place. */
export const ring = (hand: Hand, at: Point, across: number, down: number) =>
  draw(
    hand,
    Array.from({ length: 14 }, (_, index) => {
      const angle = -2 + (index / 13) * Math.PI * 2.08
      return {
        x: at.x + (across + jitter(hand) * 3) * Math.cos(angle),
        y: at.y + (down + jitter(hand) * 3) * Math.sin(angle),
      }
    }),
  )

function jitter(hand: Hand): number {
  return (hand.random() - 0.5) * hand.wobble * 0.7
}

const formOf = (letter: string, { forms }: Hand): string | undefined => forms?.[letter] ?? GLYPHS[letter]

function advance(letter: string, hand: Hand): number {
  return Number.parseFloat(formOf(letter, hand)?.split('|')[0] ?? '5')
}

function pathsOf(letter: string, hand: Hand): Point[][] {
  const drawn = formOf(letter, hand)?.split('|')[1]
  if (!drawn) return []
  return drawn.split(';').map((path) =>
    path.split(' ').map((place) => {
      const [x, y] = place.split(',').map(Number)
      return { x: x!, y: y! }
    }),
  )
}

/** Points about `step` apart on a Catmull–Rom curve through the given ones. */
function sample(through: readonly Point[], step: number): Point[] {
  const places: Point[] = []
  for (let index = 0; index < through.length - 1; index++) {
    const [p0, p1, p2, p3] = [
      through[index - 1] ?? through[index]!,
      through[index]!,
      through[index + 1]!,
      through[index + 2] ?? through[index + 1]!,
    ]
    const pieces = Math.max(1, Math.ceil(Math.hypot(p2.x - p1.x, p2.y - p1.y) / step))
    for (let piece = 0; piece < pieces; piece++) {
      const t = piece / pieces
      const blend = (a: number, b: number, c: number, d: number) =>
        0.5 *
        (2 * b + (c - a) * t + (2 * a - 5 * b + 4 * c - d) * t * t + (3 * b - a - 3 * c + d) * t * t * t)
      places.push({ x: blend(p0.x, p1.x, p2.x, p3.x), y: blend(p0.y, p1.y, p2.y, p3.y) })
    }
  }
  const last = through.at(-1)
  if (last) places.push(last)
  return places
}
