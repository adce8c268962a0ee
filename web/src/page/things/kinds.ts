import { type Box, mm, type Thing, type Tone } from '@hand-back/core'

/** What can be put on a page by pressing or drawing how large it is. */
export const PUTTING = ['text', 'note', 'rectangle', 'ellipse', 'triangle', 'line', 'arrow'] as const
export type Putting = (typeof PUTTING)[number]

/** How large a thing is that was put down by a press, in points. */
const USUAL: Record<Putting, { width: number; height: number }> = {
  text: { width: mm(70), height: mm(8) },
  note: { width: mm(55), height: mm(14) },
  rectangle: { width: mm(40), height: mm(25) },
  ellipse: { width: mm(35), height: mm(35) },
  triangle: { width: mm(40), height: mm(35) },
  line: { width: mm(50), height: 0 },
  arrow: { width: mm(50), height: 0 },
}

/** The size of letters that students type, in points. */
export const LETTERS = 14

interface Way {
  readonly from: { readonly x: number; readonly y: number }
  readonly to: { readonly x: number; readonly y: number }
}

/** What new things look like. */
export interface Look {
  readonly colour: string
  /** Width of lines, in points. */
  readonly width: number
  /** Of notes. */
  readonly tone: Tone
  /** How many times their usual size they begin in on this page (`timesA4`). */
  readonly times: number
}

/** A new thing along a way across the page; a way of no length is a press. */
export function madeThing(kind: Putting, way: Way, { colour, width, tone, times }: Look): Thing {
  const box = boxOf(kind, way, times)
  const common = { id: crypto.randomUUID(), ...box, turn: 0 }
  if (kind === 'text')
    return {
      ...common,
      kind: 'text',
      text: '',
      face: 'reading',
      size: LETTERS * times,
      bold: false,
      colour,
      align: 'left',
      list: 'none',
    }
  if (kind === 'note') return { ...common, kind: 'direction', text: '', size: LETTERS * times, tone }
  const isLine = kind === 'line' || kind === 'arrow'
  const [start, end] = [way.from, way.to]
  return {
    ...common,
    kind: 'shape',
    form: isLine ? 'line' : kind,
    colour,
    line: Math.min(6 * times, Math.max(times, width)),
    fill: null,
    dashed: false,
    rising: isLine && (end.x - start.x) * (end.y - start.y) < 0,
    heads: kind !== 'arrow' ? 'none' : end.x < start.x ? 'start' : 'end',
  }
}

/** Shorter ways were a press, in points. */
const PRESS = 6

function boxOf(kind: Putting, { from, to }: Way, times: number): Box {
  const [width, height] = [Math.abs(to.x - from.x), Math.abs(to.y - from.y)]
  const usual = { width: USUAL[kind].width * times, height: USUAL[kind].height * times }
  if (Math.hypot(width, height) < PRESS * times) return { x: from.x, y: from.y, ...usual }
  const box = { x: Math.min(from.x, to.x), y: Math.min(from.y, to.y), width, height }
  const words = kind === 'text' || kind === 'note'
  return words ? { ...box, width: Math.max(box.width, mm(15) * times), height: usual.height } : box
}

/** A new thing brought onto the page, where the press was beside it or the thing would hang over. */
export function ontoPage(thing: Thing, page: { width: number; height: number }): Thing {
  const onto = (at: number, length: number, room: number) =>
    Math.min(Math.max(0, at), Math.max(0, room - length))
  return {
    ...thing,
    x: onto(thing.x, thing.width, page.width),
    y: onto(thing.y, thing.height, page.height),
  }
}
