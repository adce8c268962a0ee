import {
  PDFArray,
  PDFDict,
  type PDFDocument,
  PDFHexString,
  PDFName,
  PDFNumber,
  type PDFObject,
  PDFRef,
  PDFStream,
  PDFString,
} from '@cantoo/pdf-lib'
import type { Layers } from './layers.ts'

// Notes are what PDF calls annotations: form fields, stamps, comments, links (ISO 32000-2, 12.5).

const name = (text: string) => PDFName.of(text)

/** Flags of notes that are not to be seen: Hidden and NoView (table 167). */
const UNSEEN = 2 | 32

/** Where a link lies (user space, lower left and upper right), and where it leads: an address, or a page by its number from 1. */
export interface PageLink {
  readonly box: readonly number[]
  readonly to: { readonly url: string } | { readonly page: number }
}

function notesOn(document: PDFDocument, page: PDFDict): PDFDict[] {
  const list = page.lookup(name('Annots'))
  if (!(list instanceof PDFArray)) return []
  return list.asArray().flatMap((each) => {
    const note = document.context.lookup(each)
    return note instanceof PDFDict ? [note] : []
  })
}

function numbers(of: PDFObject | undefined): number[] | undefined {
  if (!(of instanceof PDFArray)) return undefined
  const list = of.asArray().map((each) => (each instanceof PDFNumber ? each.asNumber() : Number.NaN))
  return list.every(Number.isFinite) ? list : undefined
}

/** The appearances of notes that are seen on a page, each with the map (as written) that lays it in its place. */
export function drawnNotes(
  document: PDFDocument,
  page: PDFDict,
  layers: Layers,
): { form: PDFObject; place: string }[] {
  return notesOn(document, page).flatMap((note) => {
    const flags = note.lookup(name('F'))
    const hidden = flags instanceof PDFNumber && (flags.asNumber() & UNSEEN) !== 0
    if (hidden || layers.isHidden(note.get(name('OC'))) || note.lookup(name('Subtype')) === name('Popup'))
      return []
    const form = appearanceOf(document, note)
    const stream = form && document.context.lookup(form)
    const rect = numbers(note.lookup(name('Rect')))
    if (!form || !(stream instanceof PDFStream) || rect?.length !== 4) return []
    const place = placeOf(stream.dict, rect)
    return place ? [{ form, place }] : []
  })
}

/** The normal appearance, in the state that the note is in. */
function appearanceOf(document: PDFDocument, note: PDFDict): PDFObject | undefined {
  const appearances = note.lookup(name('AP'))
  const normal = appearances instanceof PDFDict ? appearances.get(name('N')) : undefined
  const found = normal && document.context.lookup(normal)
  if (!(found instanceof PDFDict)) return normal
  const state = note.lookup(name('AS'))
  return state instanceof PDFName ? found.get(state) : undefined
}

/** Lays the turned box of an appearance onto the note's rectangle (ISO 32000-2, 12.5.5, algorithm 8.1). */
function placeOf(form: PDFDict, rect: readonly number[]): string | undefined {
  const box = numbers(form.lookup(name('BBox')))
  if (box?.length !== 4) return undefined
  const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = numbers(form.lookup(name('Matrix'))) ?? []
  const corners = [0, 2].flatMap((x) =>
    [1, 3].map((y) => [a * box[x]! + c * box[y]! + e, b * box[x]! + d * box[y]! + f]),
  )
  const [xs, ys] = [corners.map(([x]) => x!), corners.map(([, y]) => y!)]
  const [x0, y0, wide, high] = [
    Math.min(...xs),
    Math.min(...ys),
    Math.max(...xs) - Math.min(...xs),
    Math.max(...ys) - Math.min(...ys),
  ]
  const [left, right] = [Math.min(rect[0]!, rect[2]!), Math.max(rect[0]!, rect[2]!)]
  const [low, top] = [Math.min(rect[1]!, rect[3]!), Math.max(rect[1]!, rect[3]!)]
  if (wide === 0 || high === 0) return undefined
  const [sx, sy] = [(right - left) / wide, (top - low) / high]
  return [sx, 0, 0, sy, left - x0 * sx, low - y0 * sy].map((each) => each.toFixed(5)).join(' ')
}

/** The links of a page that lead to a web address or to a page of the same PDF; what would start anything else is none. */
export function linksOf(document: PDFDocument, page: PDFDict): PageLink[] {
  return notesOn(document, page).flatMap((note): PageLink[] => {
    const box = numbers(note.lookup(name('Rect')))
    if (note.lookup(name('Subtype')) !== name('Link') || box?.length !== 4) return []
    const action = note.lookup(name('A'))
    if (action instanceof PDFDict && action.lookup(name('S')) === name('URI')) {
      const url = textOf(action.lookup(name('URI')))
      return url && /^(https?:\/\/|mailto:)[^\s"<>]+$/i.test(url) ? [{ box, to: { url } }] : []
    }
    const goes =
      action instanceof PDFDict && action.lookup(name('S')) === name('GoTo')
        ? action.get(name('D'))
        : note.get(name('Dest'))
    const number = pageOfDestination(document, goes)
    return number ? [{ box, to: { page: number } }] : []
  })
}

const textOf = (of: unknown): string | undefined =>
  of instanceof PDFString || of instanceof PDFHexString ? of.decodeText() : undefined

/** The number of the page that a destination names, from 1; nothing for one that is not understood. */
export function pageOfDestination(
  document: PDFDocument,
  destination: PDFObject | undefined,
): number | undefined {
  const found = destination && document.context.lookup(destination)
  const explicit = found instanceof PDFArray ? found : namedDestination(document, found)
  const first = explicit?.get(0)
  if (!(first instanceof PDFRef)) return undefined
  const index = document.getPages().findIndex(({ ref }) => ref === first)
  return index < 0 ? undefined : index + 1
}

/** A destination that is named: in the tree of names, or in the catalogue's own list. */
function namedDestination(document: PDFDocument, of: unknown): PDFArray | undefined {
  const wanted = of instanceof PDFName ? of.decodeText() : textOf(of)
  if (wanted === undefined) return undefined
  const names = document.catalog.lookup(name('Names'))
  const tree = names instanceof PDFDict ? names.lookup(name('Dests')) : undefined
  const list = document.catalog.lookup(name('Dests'))
  const found =
    (tree instanceof PDFDict ? inTree(document, tree, wanted, 0) : undefined) ??
    (list instanceof PDFDict ? list.lookup(name(wanted)) : undefined)
  const value = found instanceof PDFDict ? found.lookup(name('D')) : found
  return value instanceof PDFArray ? value : undefined
}

function inTree(document: PDFDocument, node: PDFDict, wanted: string, depth: number): PDFObject | undefined {
  const pairs = node.lookup(name('Names'))
  if (pairs instanceof PDFArray)
    for (let at = 0; at + 1 < pairs.size(); at += 2)
      if (textOf(pairs.lookup(at)) === wanted) return pairs.lookup(at + 1)
  const kids = node.lookup(name('Kids'))
  if (!(kids instanceof PDFArray) || depth > 20) return undefined
  for (const kid of kids.asArray()) {
    const dict = document.context.lookup(kid)
    const found = dict instanceof PDFDict ? inTree(document, dict, wanted, depth + 1) : undefined
    if (found) return found
  }
  return undefined
}
