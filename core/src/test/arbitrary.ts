import fc from 'fast-check'
import { toBase64 } from '../ink/base64.ts'
import { packPoints } from '../ink/pack.ts'
import type { InkPoint } from '../ink/points.ts'
import type { Similarity } from '../ink/similarity.ts'
import * as similarity from '../ink/similarity.ts'
import type { Item } from '../kinds/items.ts'
import type { SignedEvent } from '../log/events.ts'

/** Made-up ink, items and events for property tests. */
export const inkPoints: fc.Arbitrary<InkPoint[]> = fc
  .array(
    fc.record({
      x: fc.double({ min: -2000, max: 20_000, noNaN: true }),
      y: fc.double({ min: -2000, max: 20_000, noNaN: true }),
      pressure: fc.double({ min: 0, max: 1, noNaN: true }),
      wait: fc.integer({ min: 0, max: 5000 }),
    }),
    { maxLength: 80 },
  )
  .map((samples) => {
    let time = 0
    return samples.map(({ x, y, pressure, wait }) => {
      time += wait
      return { x, y, pressure, time }
    })
  })

/** A UUID that tells its number: few of them, so that events meet. */
export const idOf = (number: number) => `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`
const itemId = fc.integer({ min: 1, max: 8 }).map(idOf)

const item: fc.Arbitrary<Item> = fc.oneof(
  fc.record({
    id: itemId,
    kind: fc.constant('stroke' as const),
    nib: fc.constantFrom('pen' as const, 'highlighter' as const),
    colour: fc.constant('#1e2b3a'),
    width: fc.constant(2),
    points: inkPoints.map((points) => toBase64(packPoints(points.slice(0, 4)))),
  }),
  fc.record({
    id: itemId,
    kind: fc.constant('voice' as const),
    x: fc.integer({ min: 0, max: 500 }),
    y: fc.integer({ min: 0, max: 500 }),
    recording: itemId,
    seconds: fc.constant(3),
  }),
)

const thingIn = fc.record({
  id: itemId,
  kind: fc.constant('shape' as const),
  form: fc.constant('ellipse' as const),
  colour: fc.constantFrom('#1e2b3a', '#2457a6'),
  line: fc.constant(2),
  fill: fc.constantFrom(null, '#2457a6'),
  dashed: fc.constant(false),
  rising: fc.constant(false),
  heads: fc.constant('none' as const),
  x: fc.integer({ min: 0, max: 500 }),
  y: fc.integer({ min: 0, max: 500 }),
  width: fc.integer({ min: 1, max: 300 }),
  height: fc.integer({ min: 1, max: 300 }),
  turn: fc.integer({ min: -170, max: 170 }),
})

/** Ink, voice notes and things. */
export const anyItem: fc.Arbitrary<Item> = fc.oneof(item, thingIn)

/** A move that can be taken back well: neither shrunk nor grown beyond reason. */
export const anyMove: fc.Arbitrary<Similarity> = fc
  .record({
    x: fc.integer({ min: -300, max: 300 }),
    y: fc.integer({ min: -300, max: 300 }),
    factor: fc.double({ min: 0.2, max: 5, noNaN: true }),
    degrees: fc.double({ min: -179, max: 179, noNaN: true }),
    dx: fc.integer({ min: -300, max: 300 }),
  })
  .map(({ x, y, factor, degrees, dx }) =>
    similarity.compose(similarity.about({ x, y }, factor, degrees), similarity.translation(dx, -dx)),
  )

const place = fc.record({ x: fc.integer({ min: 0, max: 500 }), y: fc.integer({ min: 0, max: 500 }) })

const act = fc.oneof(
  fc.record({ act: fc.constant('add' as const), items: fc.array(item, { minLength: 1, maxLength: 3 }) }),
  fc.record({ act: fc.constant('take' as const), items: fc.array(itemId, { minLength: 1, maxLength: 3 }) }),
  fc.record({ act: fc.constant('bring' as const), items: fc.array(itemId, { minLength: 1, maxLength: 3 }) }),
  fc.record({ act: fc.constant('change' as const), item: itemId, set: place, was: place }),
  fc.record({
    act: fc.constant('swap' as const),
    take: fc.array(itemId, { maxLength: 3 }),
    bring: fc.array(itemId, { maxLength: 3 }),
    items: fc.array(anyItem, { maxLength: 2 }),
  }),
  fc.record({
    act: fc.constant('move' as const),
    items: fc.array(itemId, { minLength: 1, maxLength: 3 }),
    by: fc.constantFrom(similarity.translation(3, 4), similarity.about({ x: 10, y: 10 }, 2, 0)),
  }),
  fc.record({
    act: fc.constant('sheet' as const),
    set: fc.record({ height: fc.integer({ min: 100, max: 900 }) }),
    was: fc.record({ height: fc.constant(100) }),
  }),
)

export const PAGE = idOf(900)

/** Any event by one of two authors on any layer. */
export const event: fc.Arbitrary<SignedEvent> = fc
  .record({
    act,
    id: fc.uuid({ version: 4 }),
    layer: fc.constantFrom('work' as const, 'help' as const, 'feedback' as const),
    author: fc.constantFrom('ana', 'ben'),
    round: fc.integer({ min: 1, max: 2 }),
  })
  .map(({ act, ...common }) => ({ ...common, ...act, page: PAGE, madeAt: 0 }) as SignedEvent)

export const events = fc.uniqueArray(event, { selector: ({ id }) => id, maxLength: 25 })
