import { answerId } from '../answers/answers.ts'
import type { Remark, RemarkKept } from '../contract/remarks.ts'
import { readCsv, writeCsv } from '../formats/csv.ts'
import { moved } from '../holding/moved.ts'
import { boundsAround, boundsOfItem } from '../holding/pick.ts'
import { type Bounds, overlap, type Point } from '../ink/points.ts'
import * as similarity from '../ink/similarity.ts'
import type { Item } from '../kinds/items.ts'
import { FNV_BASIS, fnv1a } from '../words/fnv1a.ts'
import { type Box, boundsOfBox, boxOfBounds } from '../worksheet/box.ts'
import { readMarks, sayMarks } from './sayMarks.ts'

/** Items as a remark keeps them: with their upper left corner at 0, 0. */
export function asRemark(items: readonly Item[]): Item[] {
  const { x0, y0 } = boundsAround(items)!
  return items.map((item) => moved(item, similarity.translation(-x0, -y0)))
}

/** A remark's items laid with their upper left corner at a place, whole on the page, under ids of their own. */
export function laidRemark(
  { items }: Pick<RemarkKept, 'items'>,
  at: Point,
  page: { readonly width: number; readonly height: number },
  newId: () => string,
): Item[] {
  const { width, height } = sizeOf(items)
  const within = (wanted: number, length: number, room: number) =>
    Math.min(Math.max(0, wanted), Math.max(0, room - length))
  const { x0, y0 } = boundsAround(items)!
  const by = similarity.translation(
    within(at.x, width, page.width) - x0,
    within(at.y, height, page.height) - y0,
  )
  return items.map((item) => ({ ...moved(item, by), id: newId() }))
}

/** From the edge of an area, and from what is there already, in points. */
const ROOM = 6

/**
 * Where a remark about a question goes: under what was written there, or at the right of its area where nothing
 * was; lower where other feedback lies.
 */
export function placeForRemark(
  { items }: Pick<RemarkKept, 'items'>,
  area: Box,
  work: readonly Item[],
  feedback: readonly Item[],
): Point {
  const { width, height } = sizeOf(items)
  const written = boundsAround(work)
  const x = written?.x0 ?? Math.max(area.x, area.x + area.width - width - ROOM)
  let y = (written?.y1 ?? area.y) + ROOM
  const there = feedback.map(boundsOfItem).sort((a, b) => a.y0 - b.y0)
  for (const taken of there) if (overlap(boundsOfBox({ x, y, width, height }), taken)) y = taken.y1 + ROOM
  return { x, y }
}

const sizeOf = (items: readonly Item[]): Box => boxOfBounds(boundsAround(items) as Bounds)

/** Remarks in the order in which they are offered: those used most at a question, then those used most, then by name. */
export function offered<R extends Pick<Remark, 'name' | 'uses' | 'usesAt'>>(
  remarks: readonly R[],
  question: string | undefined,
): R[] {
  const usesHere = ({ usesAt }: R) => (question ? (usesAt[question] ?? 0) : 0)
  return [...remarks].sort(
    (a, b) => usesHere(b) - usesHere(a) || b.uses - a.uses || a.name.localeCompare(b.name),
  )
}

/** The words in a remark, without its ink and signs. */
export const wordsOfRemark = ({ items }: Pick<RemarkKept, 'items'>): string =>
  items
    .map((item) => ('text' in item ? item.text : item.kind === 'voice' ? (item.words ?? '') : '').trim())
    .filter((words) => words !== '')
    .join('\n')

const COLUMNS = ['name', 'words', 'unit', 'marks', 'used'] as const

/** Remarks as CSV: what of them is words. JSON holds the ink too. */
export const remarksAsCsv = (remarks: readonly Remark[]): string =>
  writeCsv(
    COLUMNS,
    remarks.map((remark) => [
      remark.name,
      wordsOfRemark(remark),
      remark.unit,
      remark.carries === 0 ? '' : sayMarks(remark.carries),
      String(remark.uses),
    ]),
  )

/** A remark of a list, before its words are laid out: a line that cannot be used is told by its number. */
export interface ListedRemark {
  readonly name: string
  readonly words: string
  readonly unit: string
  readonly carries: number
}
export type RemarkList =
  | { readonly remarks: readonly ListedRemark[]; readonly wrong: readonly { line: number; why: string }[] }
  | { readonly problem: string }

/** Reads remarks from CSV with the columns name and words, and unit and marks where there are any. */
export function readRemarksCsv(bytes: Uint8Array): RemarkList {
  const { columns, rows } = readCsv(bytes)
  const names = columns.map((column) => column.toLowerCase())
  const cell = (cells: Readonly<Record<string, string>>, name: string) => {
    const at = names.indexOf(name)
    return at < 0 ? '' : (cells[columns[at]!] ?? '')
  }
  if (!names.includes('name') || !names.includes('words'))
    return { problem: 'A list of remarks needs a column called name and one called words.' }
  const wrong: { line: number; why: string }[] = []
  const remarks = rows.flatMap(({ line, cells }): ListedRemark[] => {
    const [name, words, marks] = [cell(cells, 'name'), cell(cells, 'words'), cell(cells, 'marks')]
    const carries = marks === '' ? 0 : readMarks(marks)
    const why =
      name === '' || words === ''
        ? 'It has no name or no words.'
        : name.length > 60
          ? 'Its name is longer than 60 letters.'
          : carries === undefined
            ? `“${marks}” are no marks.`
            : undefined
    if (why !== undefined || carries === undefined) {
      wrong.push({ line, why: why ?? '' })
      return []
    }
    return [{ name, words: words.slice(0, 2000), unit: cell(cells, 'unit').slice(0, 80), carries }]
  })
  return { remarks, wrong }
}

/** The id of a remark of a list: the same words under the same name are the same remark, however often the list comes. */
export function listedId(teacher: string, { name, words, unit }: ListedRemark): string {
  return answerId(teacher, uuidOf(`${name}\n${words}\n${unit}`))
}

/** 128 bits of a text as an id: four hashes, each from a basis of its own. */
function uuidOf(text: string): string {
  const bases = [FNV_BASIS, 0x01234567, 0x89abcdef, 0x2f0e1a6d]
  const digits = bases.map((basis) => fnv1a(text, basis).toString(16).padStart(8, '0')).join('')
  return [8, 12, 16, 20, 32].map((end, index) => digits.slice([0, 8, 12, 16, 20][index], end)).join('-')
}
