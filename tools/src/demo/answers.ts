import type { Point, Stroke } from '@hand-back/core'
import { draw, type Hand, ring, tick, write } from '@hand-back/core/test/handwriting.ts'
import places from './worksheets/made/places.json' with { type: 'json' }

/** Strokes for one page of a worksheet, by the page's number from 0. */
export type PageInk = Map<number, Stroke[]>

type Place = { page: number; x: number; y: number; width: number; height: number }
export const placeOn = (worksheet: keyof typeof places, name: string): Place =>
  (places[worksheet] as unknown as Record<string, Place>)[name]!

const BLUE = '#2457a6'
const GREEN = '#2e7d46'
const on = (ink: PageInk, place: Place, ...strokes: Stroke[]) =>
  ink.set(place.page, [...(ink.get(place.page) ?? []), ...strokes])
/** The first line of a ruled place: the letters stand on it. */
const firstLine = (place: Place): Point => ({ x: place.x + 6, y: place.y + 23 })

/** The tide through the day as the table has it, in metres, for an hour from 0 to 24. */
function height(hour: number): number {
  const tides = [
    [-2, 5.2],
    [4.17, 0.8],
    [10.42, 5.3],
    [16.67, 1.1],
    [22.83, 5.0],
    [29, 1.0],
  ] as const
  const next = tides.findIndex(([at]) => at > hour)
  const [from, to] = [tides[next - 1]!, tides[next]!]
  const part = (hour - from[0]) / (to[0] - from[0])
  return from[1] + ((to[1] - from[1]) * (1 - Math.cos(Math.PI * part))) / 2
}

/** What a class writes for how much the water rises, rightly and wrongly. */
const RISES = {
  right: ['5.3 - 0.8 = 4.5 m', '4.5 m', 'it rises 4.5 m'],
  wrong: ['5.3 - 1.1 = 4.2 m', '5.3 + 0.8 = 6.1 m', '6.1 m'],
}

/**
 * A student's answers to the tide table, as far as `done` (0 to 1) of it. `slip`: what they get wrong. `way`: which of
 * several ways to say the same.
 */
export function tideAnswers(hand: Hand, done: number, slip: boolean, way = 0): PageInk {
  const ink: PageInk = new Map()
  const of = (name: string) => placeOn('Reading a tide table', name)
  const table = of('table')
  on(
    ink,
    table,
    ...write(hand, RISES[slip ? 'wrong' : 'right'][way % 3]!, {
      x: table.x + table.width + 22,
      y: table.y + 62,
    }),
  )
  if (done < 0.25) return ink
  const graph = of('graph')
  const at = (hour: number): Point => ({
    x: graph.x + (hour / 24) * 480,
    y: graph.y + 200 - (height(hour) / 6) * 200 + (hand.random() - 0.5) * hand.wobble * 5,
  })
  const until = done < 0.45 ? 11 : 24
  on(
    ink,
    graph,
    draw(
      { ...hand, colour: BLUE },
      Array.from({ length: until + 1 }, (_, hour) => at(hour)),
    ),
  )
  if (done < 0.5) return ink
  const level = graph.y + 200 - (2.5 / 6) * 200
  on(
    ink,
    graph,
    draw({ ...hand, colour: GREEN }, [
      { x: graph.x, y: level },
      { x: graph.x + 240, y: level + hand.random() * 2 },
      { x: graph.x + 478, y: level },
    ]),
  )
  const ferry = of('ferry')
  const said = slip
    ? 'It can sail all day because the sea is always there.'
    : 'Between about half past six and two o clock because the water is over the green line, and again after eight.'
  on(ink, ferry, ...write(hand, said, firstLine(ferry), ferry.width - 14))
  if (done < 0.75) return ink
  const wall = of('wall')
  const rows = [
    ['0.8', '5.4 m'],
    ['5.3', '0.9 m'],
    ['1.1', '5.1 m'],
    ['5.0', slip ? '1.8 m' : '1.2 m'],
  ]
  rows.forEach(([water, dry], index) => {
    const y = wall.y + 44 + index * (wall.height / 5)
    on(
      ink,
      wall,
      ...write(hand, `${water} m`, { x: wall.x + wall.width - 270, y }),
      ...write(hand, dry!, { x: wall.x + wall.width - 110, y }),
    )
  })
  const least = of('least')
  on(
    ink,
    least,
    ...write(
      hand,
      '5.3 - 1.1 = 4.2   and   5.0 - 1.1 = 3.9 so between 16:40 and 22:50',
      { x: least.x + 14, y: least.y + 34 },
      least.width - 30,
    ),
  )
  if (done < 1) return ink
  const dry = of('dry')
  on(
    ink,
    dry,
    ...write(hand, 'About two hours in the night and one hour after four.', firstLine(dry), dry.width - 14),
  )
  const later = of('later')
  on(
    ink,
    later,
    ...write(
      hand,
      'Tomorrow 11:15. In a week 7 x 50 = 350 min later, that is 16:15.',
      firstLine(later),
      later.width - 14,
    ),
  )
  for (const [name, part] of [
    ['lowBay', 0.75],
    ['highBay', 0.3],
  ] as const) {
    const bay = of(name)
    const line = (down: number) =>
      Array.from({ length: 9 }, (_, index) => ({
        x: bay.x + 8 + (index / 8) * (bay.width - 16),
        y: bay.y + bay.height * down + Math.sin(index * 1.9 + part * 9) * 5,
      }))
    on(
      ink,
      bay,
      draw(hand, line(0.2)),
      draw({ ...hand, colour: BLUE }, line(part)),
      draw({ ...hand, colour: BLUE }, line(part + 0.1)),
    )
  }
  return ink
}

/** Answers to the bearings. A second go mends what the first got wrong. */
export function bearingAnswers(hand: Hand, second: boolean): PageInk {
  const ink: PageInk = new Map()
  const of = (name: string) => placeOn('Bearings across the bay', name)
  const chart = of('chart')
  const mark = (x: number, y: number) => ({ x: chart.x + x, y: chart.y + y })
  on(
    ink,
    chart,
    draw({ ...hand, colour: BLUE }, [mark(150, 250), mark(218, 210), mark(285, 170)]),
    draw({ ...hand, colour: GREEN }, [mark(285, 170), mark(360, 113), mark(430, 60)]),
  )
  const short = (name: string, text: string) =>
    on(ink, of(name), ...write(hand, text, { x: of(name).x + 4, y: of(name).y + 22 }))
  short('buoy', second ? '059°' : '031°')
  short('far', '2.8 km')
  short('light', '053°')
  const back = of('back')
  on(
    ink,
    back,
    ...write(
      hand,
      second ? '64 + 180 = 244 so 244°' : '064 turned round is 460°',
      firstLine(back),
      back.width - 10,
    ),
  )
  const directions = of('directions')
  on(
    ink,
    directions,
    ...write(
      hand,
      'Go south east to the buoy, keep it on your left, then steer 053° until the light.',
      firstLine(directions),
      directions.width - 10,
    ),
  )
  return ink
}

/** The three steps of the knot, drawn. */
export function knotAnswers(hand: Hand): PageInk {
  const ink: PageInk = new Map()
  ;['one', 'two', 'three'].forEach((name, step) => {
    const box = placeOn('Tie it, tell it', name)
    const at = (x: number, y: number) => ({ x: box.x + x * box.width, y: box.y + y * box.height })
    const rope = [
      at(0.1, 0.7),
      at(0.4, 0.4),
      at(0.65, 0.35),
      at(0.7, 0.6),
      at(0.45, 0.65),
      at(0.4, 0.4),
      at(0.6, 0.2),
      at(0.9, 0.25),
    ]
    on(ink, box, draw({ ...hand, width: 3, colour: '#8a6a1f' }, rope.slice(0, 4 + step * 2)))
    if (step === 2)
      on(
        ink,
        box,
        draw({ ...hand, width: 3, colour: '#8a6a1f' }, [at(0.2, 0.25), at(0.5, 0.5), at(0.85, 0.8)]),
      )
  })
  return ink
}

/** The teacher's ink on the tide table. */
export function tideFeedback(hand: Hand, slip: boolean): PageInk {
  const ink: PageInk = new Map()
  const table = placeOn('Reading a tide table', 'table')
  const graph = placeOn('Reading a tide table', 'graph')
  const ferry = placeOn('Reading a tide table', 'ferry')
  const beside = { x: table.x + table.width + 22, y: table.y + 62 }
  if (slip) {
    on(
      ink,
      table,
      ring(hand, { x: beside.x + 48, y: beside.y - 4 }, 20, 12),
      ...write(hand, 'first low: 0.8', { x: beside.x + 4, y: beside.y + 32 }),
    )
  } else on(ink, table, tick(hand, { x: beside.x + 152, y: beside.y - 4 }))
  on(
    ink,
    graph,
    ring(hand, { x: graph.x + 136, y: graph.y + 118 }, 22, 13),
    ...write(hand, 'read off the exact time here', { x: graph.x + 172, y: graph.y + 112 }, 300),
  )
  on(ink, ferry, tick(hand, { x: ferry.x + ferry.width - 4, y: ferry.y + 22 }))
  return ink
}

/** The teacher's ink on the bearings, for each round. */
export function bearingFeedback(hand: Hand, second: boolean): PageInk {
  const ink: PageInk = new Map()
  const buoy = placeOn('Bearings across the bay', 'buoy')
  const back = placeOn('Bearings across the bay', 'back')
  const chart = placeOn('Bearings across the bay', 'chart')
  on(ink, chart, tick(hand, { x: chart.x + 330, y: chart.y + 120 }))
  if (second) {
    on(ink, buoy, tick(hand, { x: buoy.x + 62, y: buoy.y + 18 }))
    on(
      ink,
      back,
      tick(hand, { x: back.x + 190, y: back.y + 18 }),
      ...write(hand, 'yes, well found!', { x: back.x + 226, y: back.y + 20 }),
    )
    return ink
  }
  on(
    ink,
    buoy,
    ring(hand, { x: buoy.x + 22, y: buoy.y + 17 }, 26, 13),
    ...write(hand, 'measure from north', { x: buoy.x - 2, y: buoy.y + 48 }),
  )
  on(
    ink,
    back,
    ...write(hand, 'a bearing ends at 360°. Half a turn is 180°.', { x: back.x + 4, y: back.y + 76 }),
  )
  return ink
}

/** The teacher's ink on the knot. */
export function knotFeedback(hand: Hand): PageInk {
  const ink: PageInk = new Map()
  const box = placeOn('Tie it, tell it', 'three')
  const telling = placeOn('Tie it, tell it', 'telling')
  on(ink, box, tick(hand, { x: box.x + box.width - 26, y: box.y + 22 }))
  on(
    ink,
    telling,
    ...write(hand, 'I could tie it from this. Clear!', { x: telling.x + 30, y: telling.y + 76 }),
  )
  return ink
}

/** What each of four who share a crab's page writes beside it, with a line to the part. */
const LABELS = [
  { words: 'shell', at: { x: 458, y: 262 }, to: { x: 374, y: 284 } },
  { words: 'eye', at: { x: 288, y: 176 }, to: { x: 284, y: 196 } },
  { words: 'pincer', at: { x: 88, y: 236 }, to: { x: 150, y: 190 } },
  { words: 'leg', at: { x: 96, y: 392 }, to: { x: 156, y: 372 } },
] as const

export function crabLabels(hand: Hand, which: number): PageInk {
  const { words, at, to } = LABELS[which]!
  const from = { x: at.x + (to.x < at.x ? -4 : words.length * hand.size * 0.7), y: at.y - 4 }
  const ink: PageInk = new Map()
  ink.set(0, [
    ...write(hand, words, at),
    draw(hand, [from, { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 - 3 }, to]),
  ])
  return ink
}
