import { z } from 'zod'
import { type Drawn, linePath, segmentPath } from '../draw/drawn.ts'
import { loopTakes } from '../ink/loop.ts'
import { type Bounds, boundsOf, overlap, type Point } from '../ink/points.ts'
import type { Similarity } from '../ink/similarity.ts'
import { type Box, boundsOfBox } from '../worksheet/box.ts'
import type { ItemKind } from './itemKind.ts'
import { laidBox, madeId } from './lying.ts'
import { hundredths } from './mark.ts'
import { isInBox } from './thingKind.ts'
import { laidElsewhere } from './turned.ts'

/** What a teacher puts beside an answer with one tap, in the order in which they are offered. */
export const SIGN_FORMS = ['tick', 'half', 'cross', 'question', 'wave', 'see me'] as const
export type SignForm = (typeof SIGN_FORMS)[number]

const { turn: _upright, over: _order, ...unturnedBox } = laidBox

/** A sign of feedback in its box, in points. `carries`: the marks that it gave where it was put down, in hundredths. */
const schema = z.strictObject({
  id: madeId,
  kind: z.literal('sign'),
  form: z.enum(SIGN_FORMS),
  ...unturnedBox,
  carries: hundredths.optional(),
})
export type Sign = z.infer<typeof schema>

export const sign: ItemKind<Sign> = {
  schema,
  onlyOn: 'feedback',
  level: 'thing',
  bounds,
  drawn: drawnSign,
  held: {
    inLoop: (item, loop) => loopTakes(loop, placesOf(item)),
    isAt: (item, at, reach) => isInBox(item, at, reach),
  },
  moved,
  touches: (item, box) => overlap(boundsOfBox(box), bounds(item)),
}

/** How large each is that a tap puts down, in points. */
const SIZES: Readonly<Record<SignForm, readonly [width: number, height: number]>> = {
  tick: [24, 24],
  half: [22, 24],
  cross: [20, 20],
  question: [16, 24],
  wave: [90, 7],
  'see me': [46, 16],
}

/** The shape that a sign has in its box, from 0 to 1 in both directions: ways of a hand. */
const WAYS: Readonly<Partial<Record<SignForm, readonly string[]>>> = {
  tick: ['M0.06 0.56C0.16 0.6 0.26 0.76 0.33 0.94C0.46 0.56 0.68 0.24 0.95 0.06'],
  cross: ['M0.1 0.1C0.36 0.32 0.66 0.62 0.92 0.9', 'M0.88 0.08C0.62 0.36 0.36 0.64 0.08 0.92'],
  half: [
    'M0.04 0.22L0.24 0.06L0.24 0.5',
    'M0.9 0.1L0.12 0.92',
    'M0.56 0.62C0.62 0.46 0.92 0.46 0.9 0.64C0.88 0.76 0.6 0.86 0.56 0.96L0.94 0.96',
  ],
  question: ['M0.1 0.26C0.14 -0.04 0.92 -0.04 0.88 0.3C0.84 0.5 0.48 0.5 0.48 0.72', 'M0.48 0.93L0.48 0.95'],
}

const MADDER = '#a83a2e'
/** The line of a sign, for each point of its height. */
const LINE = 0.1
/** One wave of the wavy line is so long, for each point of its height. */
const WAVE = 1.7
/** A wave that was pulled very long and thin has no more than this. */
const MOST_WAVES = 400

function bounds(item: Sign): Bounds {
  const half = lineOf(item) / 2
  const { x0, y0, x1, y1 } = boundsOfBox(item)
  return { x0: x0 - half, y0: y0 - half, x1: x1 + half, y1: y1 + half }
}

const lineOf = ({ form, height }: Sign) => (form === 'wave' ? height * 0.3 : height * LINE)

function drawnSign(item: Sign): Drawn[] {
  const { form, x, y, width, height } = item
  const style = { kind: 'path', stroke: MADDER, width: lineOf(item) } as const
  if (form === 'wave') return [{ ...style, d: wave(item) }]
  if (form === 'see me') {
    const size = Math.min(height * 0.95, width / 3)
    const foot = y + height * 0.95
    return [
      { kind: 'text', text: form, x, y: y + height * 0.72, size, face: 'book', bold: true, colour: MADDER },
      { ...style, width: size * 0.08, d: segmentPath(x, foot, x + width, foot) },
    ]
  }
  return WAYS[form]!.map((way) => ({ ...style, d: inBox(way, item) }))
}

/** A way from 0 to 1 laid into a box. */
function inBox(way: string, { x, y, width, height }: Box): string {
  let isX = false
  return way.replace(/-?\d[\d.]*/g, (number) => {
    isX = !isX
    return String(Math.round((isX ? x + Number(number) * width : y + Number(number) * height) * 100) / 100)
  })
}

function wave({ x, y, width, height }: Box): string {
  const middle = y + height / 2
  const count = Math.min(MOST_WAVES, Math.max(2, (Math.round(width / (height * WAVE)) || 1) * 2))
  const step = width / (count * 4)
  // Places close enough to each other that the line looks round.
  const places = Array.from({ length: count * 4 + 1 }, (_each, index) => ({
    x: x + index * step,
    y: middle - (Math.sin((index * Math.PI) / 4) * height) / 2,
  }))
  return linePath(places)
}

function placesOf({ x, y, width, height }: Box): Point[] {
  const across = [x, x + width / 2, x + width]
  return [y, y + height / 2, y + height].flatMap((down) => across.map((at) => ({ x: at, y: down })))
}

/** Signs stand upright: what turns them only carries them round. */
function moved(item: Sign, by: Similarity): Sign {
  const laid = laidElsewhere(item, by)
  if (!laid) return item
  const { x, y, width, height } = laid
  return { ...item, x, y, width, height }
}

/** What a page is from its edges, in points. */
type Room = { readonly width: number; readonly height: number }

/**
 * A sign along a way across the page: about the place of a tap; a wave under all that the way goes round, or
 * from end to end. It stays on the page. `times`: how many times its usual size fits the page (`timesA4`).
 */
export function signAlong(
  form: SignForm,
  way: readonly Point[],
  page: Room,
  times: number,
  carries: number,
): Omit<Sign, 'id'> {
  const around = boundsOf(way)
  const [wide, high] = SIZES[form]
  const height = high * times
  const isDrawn = form === 'wave' && around.x1 - around.x0 > height * 2
  const width = isDrawn ? around.x1 - around.x0 : wide * times
  const middleX = (around.x0 + around.x1) / 2
  const middleY = isDrawn ? around.y1 + height / 2 : (around.y0 + around.y1) / 2
  const within = (at: number, length: number, room: number) =>
    Math.min(Math.max(0, at), Math.max(0, room - length))
  return {
    kind: 'sign',
    form,
    x: within(middleX - width / 2, width, page.width),
    y: within(middleY - height / 2, height, page.height),
    width,
    height,
    ...(carries > 0 ? { carries } : {}),
  }
}
