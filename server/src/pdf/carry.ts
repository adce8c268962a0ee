import {
  PDFDict,
  type PDFDocument,
  PDFHexString,
  PDFName,
  PDFNull,
  type PDFObject,
  type PDFPage,
  type PDFRef,
  PDFString,
} from '@cantoo/pdf-lib'
import { type PageLink, pageOfDestination } from './notes.ts'

// What leads from one place of a PDF to another: links and the outline. It is carried over as far as where it leads came along.

const name = (text: string) => PDFName.of(text)

/** Pages that were copied, by their number in the PDF they come from. */
export type Copied = ReadonlyMap<number, { readonly page: PDFPage }>

/** Lays the links of a page on its copy; those to pages that did not come along are left out. */
export function carryLinks(
  output: PDFDocument,
  page: PDFPage,
  links: readonly PageLink[],
  copied: Copied,
): void {
  const notes = links.flatMap(({ box, to }) => {
    const target = 'page' in to ? copied.get(to.page)?.page : undefined
    if ('page' in to && !target) return []
    const link = output.context.obj({
      Type: 'Annot',
      Subtype: 'Link',
      Rect: [...box],
      Border: [0, 0, 0],
    }) as PDFDict
    if ('url' in to) link.set(name('A'), output.context.obj({ S: 'URI', URI: PDFString.of(to.url) }))
    else link.set(name('Dest'), output.context.obj([target!.ref, name('XYZ'), PDFNull, PDFNull, PDFNull]))
    return [output.context.register(link)]
  })
  if (notes.length > 0) page.node.set(name('Annots'), output.context.obj(notes))
}

/** A line of an outline. */
export interface Heading {
  readonly title: string
  readonly page: PDFPage
  readonly below: readonly Heading[]
}

/** The most headings read of one outline, and how deep: one may lead round in a circle. */
const MOST_HEADINGS = 5_000
const DEEPEST = 30

/** The outline of a PDF as far as its pages came along. What stood below a heading that did not comes up in its place. */
export function headingsOf(source: PDFDocument, copied: Copied): Heading[] {
  const outlines = source.catalog.lookup(name('Outlines'))
  let left = MOST_HEADINGS
  const read = (first: PDFObject | undefined, depth: number): Heading[] => {
    const found: Heading[] = []
    for (
      let at = first && source.context.lookup(first);
      at instanceof PDFDict && left-- > 0;
      at = at.lookup(name('Next'))
    ) {
      const below = depth < DEEPEST ? read(at.get(name('First')), depth + 1) : []
      const action = at.lookup(name('A'))
      const goes =
        action instanceof PDFDict && action.lookup(name('S')) === name('GoTo')
          ? action.get(name('D'))
          : at.get(name('Dest'))
      const number = pageOfDestination(source, goes)
      const page = number === undefined ? undefined : copied.get(number)?.page
      const title = at.lookup(name('Title'))
      if (page && (title instanceof PDFString || title instanceof PDFHexString))
        found.push({ title: title.decodeText(), page, below })
      else found.push(...below)
    }
    return found
  }
  return outlines instanceof PDFDict ? read(outlines.get(name('First')), 0) : []
}

/** Gives a PDF an outline. */
export function writeOutline(output: PDFDocument, headings: readonly Heading[]): void {
  if (headings.length === 0) return
  const { context } = output
  const write = (
    list: readonly Heading[],
    parent: PDFRef,
  ): { first: PDFRef; last: PDFRef; count: number } => {
    const refs = list.map(() => context.nextRef())
    let count = list.length
    for (const [index, { title, page, below }] of list.entries()) {
      const item = context.obj({ Title: PDFHexString.fromText(title), Parent: parent }) as PDFDict
      item.set(name('Dest'), context.obj([page.ref, name('XYZ'), PDFNull, PDFNull, PDFNull]))
      if (index > 0) item.set(name('Prev'), refs[index - 1]!)
      if (index < list.length - 1) item.set(name('Next'), refs[index + 1]!)
      if (below.length > 0) {
        const under = write(below, refs[index]!)
        count += under.count
        item.set(name('First'), under.first)
        item.set(name('Last'), under.last)
        item.set(name('Count'), context.obj(under.count))
      }
      context.assign(refs[index]!, item)
    }
    return { first: refs[0]!, last: refs.at(-1)!, count }
  }
  const root = context.nextRef()
  const { first, last, count } = write(headings, root)
  context.assign(root, context.obj({ Type: 'Outlines', First: first, Last: last, Count: count }))
  output.catalog.set(name('Outlines'), root)
}
