import {
  atMm,
  bareSheet,
  blankItem,
  lenientKey,
  mm,
  PageMaker,
  PRINTED_VOICE,
  type Printed,
  type PrintedItem,
  type Question,
  type Sheet,
} from '@hand-back/core'
import { draw, type Hand, write } from '@hand-back/core/test/handwriting.ts'

const HOURS = { from: 0, to: 12, step: 2, label: 'hours' }
const METRES = { from: 0, to: 6, step: 1, label: 'metres' }
const PLAIN = { form: 'plain', colour: '#9fb4c7' } as const

/** A tide for each graph: its curve, the card that belongs to it, and how high the water comes. */
const TIDES = [
  ['3 + 2.5 cos(x / 2)', 'spring tide', '5.5'],
  ['3 + cos(x / 2)', 'neap tide', '4'],
  ['3 - 2 cos(x / 2)', 'low at noon', '5'],
  ['3', 'no tide at all', '3'],
] as const
const CARDS = ['neap tide', 'storm', 'no tide at all', 'spring tide', 'two a day', 'low at noon']

/** What is played on it, as it is stored. */
export interface Played {
  readonly voice: Pick<Printed<'voice'>, 'file' | 'seconds' | 'heard'>
  readonly film: Pick<Printed<'film'>, 'file' | 'still' | 'seconds'>
}

/**
 * A worksheet made on paper: four graphs, boxes lined up beside them, six cards of which four fit, an
 * example talked through and worked in the teacher's hand, a film, and pages for three levels.
 */
export function curvesSheet(hand: Hand, newId: () => string, { voice, film }: Played): Sheet {
  const make = new PageMaker(newId)
  const rows = TIDES.map(([formula], index) => {
    const y = 44 + index * 60
    return {
      plot: make.plot(atMm(15, y, 84, 54), HOURS, METRES, [formula]),
      drop: make.drop(atMm(104, y + 4, 50, 20), 'This is a …'),
      typed: make.typed(atMm(104, y + 30, 50, 13), 'highest water, in m', 'number'),
    }
  })
  const cards = CARDS.map((text, index) => make.card(atMm(160, 48 + index * 17, 38, 12), text))
  const [shore, sea] = [newId(), newId()]
  const worked = example(hand, rows[0]!.plot).map((stroke) => make.ink(stroke))
  const first = make.page(PLAIN, [
    make.text(atMm(15, 12, 120, 12), 'Curves of the tide', 22, true),
    make.direction(atMm(15, 25, 150, 10), 'Move the card that fits to each curve. Two fit none of them.'),
    ...rows.flatMap(({ plot, drop, typed }) => [plot, drop, typed]),
    ...cards,
    ...worked,
    told(voice, worked, newId),
  ])
  const help = make.page(PLAIN, [
    make.text(atMm(15, 12, 150, 12), 'Words for the tide', 22, true),
    make.text(
      atMm(15, 30, 170, 60),
      'Spring tide: the water comes high and goes low.\nNeap tide: it rises and falls only a little.\nEbb: the water goes.\nFlood: the water comes.',
      16,
    ),
    { ...blankItem('film', atMm(15, 100, 88, 66), newId), ...film, alt: 'The tide comes in' },
  ])
  const further = make.page(PLAIN, [
    make.text(atMm(15, 12, 150, 12), 'Make your own tide', 22, true),
    make.direction(atMm(15, 25, 150, 10), 'Slide a and b. What does each do to the water?'),
    {
      ...make.plot(atMm(15, 42, 180, 120), HOURS, METRES, ['3 + a cos(b x)']),
      parameters: [
        { name: 'a', value: 2, from: 0, to: 3, open: true },
        { name: 'b', value: 0.5, from: 0.1, to: 2, open: true },
      ],
    },
    make.typed(atMm(15, 172, 180, 40), 'a makes the water … and b …', 'lines'),
  ])
  const questions = rows.map(({ plot, drop }, index): Question => {
    const area = {
      x: plot.x - mm(1),
      y: plot.y,
      width: drop.x + drop.width - plot.x + mm(3),
      height: plot.height,
    }
    return { id: newId(), label: String(index + 1), fullMarks: 2, areas: [{ page: first.id, ...area }] }
  })
  return {
    ...bareSheet([first, { ...help, sets: [shore] }, { ...further, sets: [sea] }]),
    questions,
    keys: Object.fromEntries(
      rows.flatMap(({ drop, typed }, index) => [
        [drop.id, fitting(cards, TIDES[index]![1])],
        [typed.id, lenientKey([TIDES[index]![2]])],
      ]),
    ),
    sets: [
      { id: shore, name: 'Shore' },
      { id: newId(), name: 'Harbour' },
      { id: sea, name: 'Open sea' },
    ],
  }
}

function fitting(cards: readonly PrintedItem[], text: string) {
  return { kind: 'cards' as const, cards: [cards[CARDS.indexOf(text)]!.id] }
}

/** The voice that goes with the example: what is written comes as it is spoken of. */
function told(voice: Played['voice'], worked: readonly PrintedItem[], newId: () => string): PrintedItem {
  const { from, to } = voice.heard ?? { from: 0, to: voice.seconds }
  const each = (to - from) / (worked.length + 1)
  return {
    ...blankItem('voice', { x: mm(46), y: mm(37), ...PRINTED_VOICE }, newId),
    ...voice,
    said: 'The curve begins where the water is highest: five and a half metres.',
    shows: { things: worked.map(({ id }, index) => [from + each * (index + 1), id]), turns: [] },
  }
}

/** An arrow to the highest water of the first curve and what it reads. */
function example(hand: Hand, { x, y }: Printed<'plot'>) {
  const top = { x: x + 36, y: y + 24 }
  return [
    draw(hand, [
      { x: top.x + 30, y: top.y + 2 },
      { x: top.x + 14, y: top.y - 2 },
      { x: top.x, y: top.y },
    ]),
    draw(hand, [
      { x: top.x + 7, y: top.y - 6 },
      { x: top.x, y: top.y },
      { x: top.x + 7, y: top.y + 5 },
    ]),
    ...write(hand, '5.5 m', { x: top.x + 34, y: top.y + 8 }),
  ]
}
