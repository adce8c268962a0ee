import { randomUUID } from 'node:crypto'
import { applyAll, boundsOf, emptyPage, neatShape, readInk, type SignedEvent } from '@hand-back/core'
import { toStored } from '@hand-back/server'
import { type Figure, timed } from './figure.ts'
import { adding, handwriting, pointsIn } from './strokes.ts'

const EVENTS = 20_000

/** Stored bytes a point, and rebuilding a page from its events. */
export async function inkFigures(): Promise<Figure[]> {
  const strokes = handwriting(2000)
  const page = randomUUID()
  const stored = strokes.map((stroke) => toStored(adding(page, [stroke])))
  const points = pointsIn(strokes)
  const raw = strokes.reduce((sum, stroke) => sum + readInk(stroke.points)!.length * 4 * 4, 0)

  // Three strokes are drawn for each that is rubbed out.
  const events: SignedEvent[] = Array.from({ length: EVENTS }, (_, index) => {
    const signed = { author: 'noor', round: 1 }
    if (index % 4 !== 3)
      return { ...adding(page, [{ ...strokes[index % strokes.length]!, id: `s${index}` }]), ...signed }
    return {
      id: randomUUID(),
      page,
      layer: 'work',
      madeAt: 0,
      act: 'take',
      items: [`s${index - 2}`],
      ...signed,
    }
  })
  const text = JSON.stringify(events)
  const rings = Array.from({ length: 200 }, (_, each) => unevenRing(400, 60 + each))
  const perSecond = (milliseconds: number) => (EVENTS / milliseconds) * 1000
  return [
    {
      name: 'stored ink',
      value: stored.reduce((sum, { ink }) => sum + ink.length, 0) / points,
      unit: 'bytes a point',
      reference: { name: 'four 32-bit numbers a point', value: raw / points },
      heldTo: '≤ 6',
    },
    {
      name: 'rebuilding a page',
      value: perSecond(await timed(() => applyAll(emptyPage, events))),
      unit: 'events/s',
      reference: { name: 'JSON.parse of the same', value: perSecond(await timed(() => JSON.parse(text))) },
      heldTo: '≥ 200,000',
    },
    {
      name: 'looking for a neat shape in a stroke of 400 samples',
      value: (await timed(() => rings.map((ring) => neatShape(ring)))) / rings.length,
      unit: 'ms',
      reference: {
        name: 'reading its samples once',
        value: (await timed(() => rings.map((ring) => boundsOf(ring)))) / rings.length,
      },
      // A slow tablet takes six times as long, and a frame is 16 ms.
      heldTo: '≤ 1 ms',
    },
  ]
}

/** A ring that is drawn unevenly: the longest way to go before it is known what it is. */
function unevenRing(samples: number, across: number) {
  return Array.from({ length: samples }, (_, index) => {
    const angle = (index / samples) * 2 * Math.PI
    const off = across / 2 + Math.sin(angle * 5) * across * 0.02
    return { x: 200 + off * Math.cos(angle), y: 200 + off * Math.sin(angle) * 0.7 }
  })
}
