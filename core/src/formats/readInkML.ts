import { XMLParser } from 'fast-xml-parser'
import type { InkPoint } from '../ink/points.ts'
import { type Nib, nib } from '../ink/stroke.ts'
import { type Channel, pointsOfTrace } from './inkmlTrace.ts'

/** Says why a file is not ink that can be read. */
export class NotInkML extends Error {}

/** A trace of a file: what drew it, as far as it says, and its places. */
export interface Trace {
  readonly nib: Nib
  /** Left out: the file says none. */
  readonly colour?: string
  /** In points; left out: the file says none. */
  readonly width?: number
  readonly points: InkPoint[]
}

/** What a file holds. `isSized`: its places are in points of a page; else in steps of a device that does not say how large they are. */
export interface InkFile {
  readonly traces: readonly Trace[]
  readonly isSized: boolean
}

/** The most letters of a file that are read. */
const MOST_LETTERS = 30_000_000

/** An element in its order: its name, its attributes, and what is in it. */
interface Element {
  readonly name: string
  readonly attributes: Readonly<Record<string, string>>
  readonly children: readonly Element[]
  readonly text: string
}

/** What holds for a trace unless it says otherwise. */
interface Standing {
  readonly channels: readonly Channel[] | undefined
  readonly brush: Element | undefined
}

/**
 * Reads InkML (W3C recommendation of 2011): trace formats with any channels, units and resolutions, contexts and brushes
 * by reference, groups, differences. Throws `NotInkML` for what is none, or has no trace.
 */
export function readInkML(text: string): InkFile {
  if (text.length > MOST_LETTERS) throw new NotInkML('This file is too large.')
  const ink = parsed(text).find(({ name }) => name === 'ink')
  if (!ink) throw new NotInkML('This is not an ink file (InkML).')
  const known = new Map<string, Element>()
  const learn = (element: Element) => {
    if (element.attributes.id) known.set(`#${element.attributes.id}`, element)
    element.children.forEach(learn)
  }
  learn(ink)
  const traces: Trace[] = []
  let isSized = false
  const go = (elements: readonly Element[], from: Standing) => {
    let now = from
    for (const element of elements) {
      const standing = standingOf(element, now, known)
      if (element.name === 'context') now = standing
      else if (element.name === 'traceGroup') go(element.children, standing)
      else if (element.name === 'trace') {
        const points = pointsOfTrace(element.text, standing.channels)
        if (points.length === 0) continue
        traces.push({ ...brushOf(standing.brush), points })
        isSized ||= standing.channels?.some(({ points: step }) => step !== undefined) ?? false
      }
    }
  }
  go(ink.children, { channels: undefined, brush: undefined })
  if (traces.length === 0) throw new NotInkML('There is no ink in this file.')
  return { traces, isSized }
}

function parsed(text: string): Element[] {
  try {
    const parser = new XMLParser({
      ...{ ignoreAttributes: false, attributeNamePrefix: '', removeNSPrefix: true, preserveOrder: true },
      ...{ parseTagValue: false, parseAttributeValue: false, processEntities: false },
    })
    return elements(parser.parse(text, true))
  } catch {
    throw new NotInkML('This is not an ink file (InkML).')
  }
}

type Parsed = Readonly<Record<string, unknown>>

const elements = (from: readonly Parsed[]): Element[] =>
  from.flatMap((each) => {
    const name = Object.keys(each).find((key) => key !== ':@' && key !== '#text')
    if (!name || name.startsWith('?')) return []
    const inside = each[name] as readonly Parsed[]
    const text = inside.map((part) => String(part['#text'] ?? '')).join(' ')
    const attributes = (each[':@'] ?? {}) as Record<string, string>
    return [{ name, attributes, children: elements(inside), text }]
  })

/** What holds at an element: what it refers to, and what stands in it. */
function standingOf(element: Element, from: Standing, known: ReadonlyMap<string, Element>): Standing {
  const { contextRef, traceFormatRef, brushRef } = element.attributes
  const context = contextRef ? known.get(contextRef) : undefined
  const within = [element, context, ...referred(element, known), ...(context ? referred(context, known) : [])]
  const find = (name: string) =>
    within.flatMap((each) => (each ? deep(each) : [])).find((each) => each.name === name)
  const format = (traceFormatRef ? known.get(traceFormatRef) : undefined) ?? find('traceFormat')
  const brush = (brushRef ? known.get(brushRef) : undefined) ?? find('brush')
  return {
    channels: format ? channelsOf(format, find('inkSource')) : from.channels,
    brush: brush ?? from.brush,
  }
}

/** What an element's own references name. */
const referred = ({ attributes }: Element, known: ReadonlyMap<string, Element>): (Element | undefined)[] =>
  ['inkSourceRef', 'traceFormatRef', 'brushRef'].map((name) => known.get(attributes[name] ?? ''))

const deep = (element: Element): Element[] => [element, ...element.children.flatMap(deep)]

/** Points in a unit of length. */
const UNITS: Readonly<Record<string, number>> = {
  ...{ m: 72 / 0.0254, cm: 72 / 2.54, mm: 72 / 25.4, in: 72, pt: 1, pc: 12, px: 0.75 },
}

function channelsOf(format: Element, source: Element | undefined): Channel[] {
  return deep(format)
    .filter(({ name }) => name === 'channel')
    .map(({ attributes: { name = '', units = '', max } }) => ({
      name,
      points: UNITS[units] ?? resolved(name, source),
      most: Number.isFinite(Number(max)) ? Number(max) : undefined,
      milliseconds: units === 's' ? 1000 : 1,
    }))
}

/** Points in a step of a channel, where its device says how many steps there are in a length. */
function resolved(channel: string, source: Element | undefined): number | undefined {
  const property = (source ? deep(source) : []).find(
    ({ name, attributes }) =>
      name === 'channelProperty' && attributes.channel === channel && attributes.name === 'resolution',
  )
  const unit = UNITS[property?.attributes.units?.replace('1/', '') ?? '']
  const steps = Number(property?.attributes.value)
  return unit !== undefined && steps > 0 ? unit / steps : undefined
}

function brushOf(brush: Element | undefined): Pick<Trace, 'nib' | 'colour' | 'width'> {
  const properties = (brush ? deep(brush) : []).filter(({ name }) => name === 'brushProperty')
  const of = (name: string) => properties.find(({ attributes }) => attributes.name === name)?.attributes
  const colour = /^#[0-9a-f]{6}$/.exec((of('color')?.value ?? '').toLowerCase())?.[0]
  const width = Number(of('width')?.value) * (UNITS[of('width')?.units ?? ''] ?? 1)
  const annotated = (brush ? deep(brush) : []).find(
    ({ name, attributes }) => name === 'annotation' && attributes.type === 'nib',
  )?.text
  const told = nib.safeParse(annotated?.trim())
  const isSeenThrough = Number(of('transparency')?.value) > 0
  return {
    nib: told.success ? told.data : isSeenThrough ? 'highlighter' : 'pen',
    ...(colour ? { colour } : {}),
    ...(width >= 0.02 && width <= 2000 ? { width } : {}),
  }
}
