import { type Box, blankItem, levelled, mm, type Thing } from '@hand-back/core'
import { PUTS, type Putting } from '../kinds/index.ts'
import type { Look, Way } from '../kinds/laidKind.ts'

/** A new thing along a way across the page; a way of no length is a press. */
export function madeThing(putting: Putting, drawn: Way, look: Look): Thing {
  const put = PUTS.get(putting)!
  const way = put.isLine ? { ...drawn, to: levelled(drawn.from, drawn.to) } : drawn
  const box = boxOf(put, way, look.times)
  const blank = blankItem(put.kind, box, () => crypto.randomUUID())
  return { ...blank, turn: 0, ...put.make(look, way) } as Thing
}

/** Shorter ways were a press, in points. */
const PRESS = 6
/** Words are not put into less than this, in mm. */
const NARROWEST = 15

interface Size {
  readonly size: readonly [number, number]
  readonly hasWords?: boolean
}

function boxOf({ size, hasWords }: Size, { from, to }: Way, times: number): Box {
  const [width, height] = [Math.abs(to.x - from.x), Math.abs(to.y - from.y)]
  const usual = { width: mm(size[0]) * times, height: mm(size[1]) * times }
  if (Math.hypot(width, height) < PRESS * times) return { x: from.x, y: from.y, ...usual }
  const box = { x: Math.min(from.x, to.x), y: Math.min(from.y, to.y), width, height }
  return hasWords ? { ...box, width: Math.max(box.width, mm(NARROWEST) * times), height: usual.height } : box
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
