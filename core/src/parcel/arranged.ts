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
 * Two pages side by side on each sheet of A4, as large as they fit and never larger than they are; each chapter begins a
 * sheet of its own. Laws: every page lies on exactly one sheet, whole; none lies upon another.
 */
export function twoASheet(pages: readonly PageSize[]): ArrangedSheet[] {
  const sheets: { parts: LaidPart[]; chapter?: string }[] = []
  const room = { width: (LONG - 2 * MARGIN - GAP) / 2, height: SHORT - 2 * MARGIN }
  for (const [page, { width, height, chapter }] of pages.entries()) {
    let sheet = sheets.at(-1)
    if (!sheet || sheet.parts.length === 2 || chapter !== undefined) {
      sheet = { parts: [], ...(chapter === undefined ? {} : { chapter }) }
      sheets.push(sheet)
    }
    const scale = Math.min(1, room.width / width, room.height / height)
    const left = MARGIN + sheet.parts.length * (room.width + GAP)
    const box = {
      x: left + (room.width - width * scale) / 2,
      y: MARGIN + (room.height - height * scale) / 2,
      width: width * scale,
      height: height * scale,
    }
    sheet.parts.push({ page, part: { x: 0, y: 0, width, height }, box })
  }
  return sheets.map((sheet) => ({ width: LONG, height: SHORT, drawn: [], ...sheet }))
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
