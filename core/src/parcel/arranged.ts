import type { Drawn, Measure } from '../draw/drawn.ts'
import { INK } from '../kinds/lettering.ts'
import type { Box } from '../worksheet/box.ts'

/** A part of a page as it is laid on a sheet. `page`: its place among the pages; boxes in points, y down. */
export interface LaidPart {
  readonly page: number
  readonly part: Box
  readonly box: Box
}

/** A sheet of paper with parts of pages on it. */
export interface ArrangedSheet {
  readonly width: number
  readonly height: number
  readonly parts: readonly LaidPart[]
  readonly drawn: readonly Drawn[]
  /** What begins on it, for the outline. */
  readonly chapter?: string
}

/** Sizes in points: the sides of A4, its margin, the room between two pages. */
const [SHORT, LONG] = [595.28, 841.89]
const MARGIN = 20
const GAP = 16

interface PageSize {
  readonly width: number
  readonly height: number
  /** A chapter begins with it: a sheet does, too. */
  readonly chapter?: string | undefined
}

/**
 * Two pages on each sheet of A4, side by side or one under the other, however they are larger; never larger than they are.
 * Each chapter begins a sheet of its own. Laws: every page lies on exactly one sheet, whole; none lies upon another.
 */
export function twoASheet(pages: readonly PageSize[]): ArrangedSheet[] {
  const pairs: number[][] = []
  for (const [page, { chapter }] of pages.entries()) {
    const last = pairs.at(-1)
    if (last?.length === 1 && chapter === undefined) last.push(page)
    else pairs.push([page])
  }
  return pairs.map((pair) => {
    const own = pair.map((page) => pages[page]!)
    const [beside, under] = [scales(own, false), scales(own, true)]
    const { chapter } = own[0]!
    return {
      ...laidTwo(pair, own, sum(under) > sum(beside)),
      drawn: [],
      ...(chapter === undefined ? {} : { chapter }),
    }
  })
}

const sum = (numbers: readonly number[]) => numbers.reduce((all, each) => all + each, 0)

/** The room that each of two pages has on a sheet. */
const roomFor = (under: boolean) =>
  under
    ? { width: SHORT - 2 * MARGIN, height: (LONG - 2 * MARGIN - GAP) / 2 }
    : { width: (LONG - 2 * MARGIN - GAP) / 2, height: SHORT - 2 * MARGIN }

const scales = (pages: readonly PageSize[], under: boolean) => {
  const room = roomFor(under)
  return pages.map(({ width, height }) => Math.min(1, room.width / width, room.height / height))
}

function laidTwo(pair: readonly number[], own: readonly PageSize[], under: boolean) {
  const room = roomFor(under)
  const by = scales(own, under)
  const parts = pair.map((page, at): LaidPart => {
    const { width, height } = own[at]!
    const size = { width: width * by[at]!, height: height * by[at]! }
    const left = MARGIN + (under ? 0 : at * (room.width + GAP))
    const top = MARGIN + (under ? at * (room.height + GAP) : 0)
    const box = {
      x: left + (room.width - size.width) / 2,
      y: top + (room.height - size.height) / 2,
      ...size,
    }
    return { page, part: { x: 0, y: 0, width, height }, box }
  })
  const [width, height] = under ? [SHORT, LONG] : [LONG, SHORT]
  return { width, height, parts }
}

/** What is cut out of a page, and what stands over it: whose it is. */
export interface CutOut {
  readonly page: number
  readonly part: Box
  readonly says: string
}

const STRIP_MARGIN = 42
const [NAME_SIZE, NAME_ROOM, BETWEEN] = [11, 17, 16]

/**
 * Cuts one under another on sheets of A4, with whose each is over it, at the size they have on their pages, smaller where
 * they would not fit; `title` stands over the first. Laws: every cut lies on exactly one sheet, whole; none upon another.
 */
export function stripsOnSheets(title: string, cuts: readonly CutOut[], measure: Measure): ArrangedSheet[] {
  const room = { width: SHORT - 2 * STRIP_MARGIN, height: LONG - 2 * STRIP_MARGIN }
  const sheets: { parts: LaidPart[]; drawn: Drawn[] }[] = []
  let y = Number.POSITIVE_INFINITY
  const words = (text: string, size: number, bold: boolean, down: number): Drawn => ({
    kind: 'text',
    text: shortened(text, size, bold, room.width, measure),
    x: STRIP_MARGIN,
    y: down,
    size,
    face: 'plain',
    bold,
    colour: INK,
  })
  for (const { page, part, says } of cuts) {
    const first = sheets.length === 0
    const top = STRIP_MARGIN + (first ? 30 : 0)
    const scale = Math.min(1, room.width / part.width, (room.height - 30 - NAME_ROOM) / part.height)
    const height = part.height * scale
    if (y + NAME_ROOM + height > LONG - STRIP_MARGIN) {
      sheets.push({ parts: [], drawn: first ? [words(title, 15, true, STRIP_MARGIN + 14)] : [] })
      y = top
    }
    const sheet = sheets.at(-1)!
    sheet.drawn.push(words(says, NAME_SIZE, true, y + NAME_SIZE))
    sheet.parts.push({
      page,
      part,
      box: { x: STRIP_MARGIN, y: y + NAME_ROOM, width: part.width * scale, height },
    })
    y += NAME_ROOM + height + BETWEEN
  }
  return sheets.map((sheet) => ({ width: SHORT, height: LONG, ...sheet }))
}

/** Words as far as they have room. */
function shortened(text: string, size: number, bold: boolean, width: number, measure: Measure): string {
  const look = { size, face: 'plain' as const, bold, colour: INK }
  let letters = [...text]
  if (measure(text, look) <= width) return text
  while (letters.length > 1 && measure(`${letters.join('')}…`, look) > width) letters = letters.slice(0, -1)
  return `${letters.join('')}…`
}
