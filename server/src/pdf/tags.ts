import {
  PDFArray,
  PDFDict,
  type PDFDocument,
  PDFHexString,
  PDFName,
  PDFNumber,
  type PDFObject,
  type PDFPage,
  PDFRef,
  PDFString,
} from '@cantoo/pdf-lib'
import type { CleanPage } from './cleanPage.ts'

// The tags of a PDF say what is a heading, a list, a picture's description, and in which order it is read
// aloud (ISO 32000-2, 14.7 and 14.8). They describe a whole document; of them comes along what describes
// content that came along.

const name = (text: string) => PDFName.of(text)

/** The most elements read of one PDF, and how deep: a tree may lead round in a circle. */
const MOST_ELEMENTS = 100_000
const DEEPEST = 100

const STANDARD = new Set(
  (
    'Document DocumentFragment Part Sect Div Aside NonStruct P H H1 H2 H3 H4 H5 H6 Title FENote Sub Lbl Span ' +
    'Em Strong Quote Note Reference Code BlockQuote Caption TOC TOCI Index Art Link Annot Form Ruby RB RT RP ' +
    'Warichu WT WP L LI LBody Table TR TH TD THead TBody TFoot Figure Formula Artifact'
  ).split(' '),
)

/** Attributes that say how a table or a list is to be read; those of layout are not needed for that. */
const ATTRIBUTES = ['O', 'RowSpan', 'ColSpan', 'Scope', 'ListNumbering']

/** Pages that were copied, by their number in the PDF they come from. */
export interface TaggedSource {
  readonly document: PDFDocument
  readonly pages: ReadonlyMap<number, CleanPage>
}

interface Element {
  readonly type: string
  readonly from: PDFDict
  /** Whether all that it described came along. */
  readonly whole: boolean
  readonly kids: readonly (Element | Leaf)[]
}
interface Leaf {
  readonly page: PDFPage
  readonly mark: number
}

/** Whether a PDF has tags. */
export const isTagged = (document: PDFDocument): boolean => rootOf(document) !== undefined

/** The number of marked content on a page that none of its own has. */
export const freeMark = ({ marks }: CleanPage): number => Math.max(-1, ...marks) + 1

/**
 * Writes the tags of pages that were copied, in the order of the sources. What was drawn on them by us
 * (`freeMark`) is read last. A description (Alt) comes along when all that it describes did.
 */
export function carryTags(output: PDFDocument, sources: readonly TaggedSource[]): void {
  const tagged = sources.filter(({ document }) => isTagged(document))
  if (tagged.length === 0) return
  const { context } = output
  const root = context.nextRef()
  const parents = new Map<PDFPage, Map<number, PDFRef>>()
  const language = tagged.map(({ document }) => document.catalog.lookup(name('Lang'))).find(isText)
  const write = (element: Element, parent: PDFRef): PDFRef => {
    const ref = context.nextRef()
    const dict = context.obj({ Type: 'StructElem', S: element.type, P: parent }) as PDFDict
    const said = [...(element.whole ? ['Alt'] : []), 'Lang']
    for (const each of said) {
      const text = element.from.lookup(name(each))
      if (isText(text)) dict.set(name(each), text)
    }
    const attributes = attributesOf(element.from)
    if (attributes) dict.set(name('A'), context.obj(attributes as never))
    const kids = element.kids.map((kid): PDFObject => {
      if ('type' in kid) return write(kid, ref)
      const marks = parents.get(kid.page) ?? new Map<number, PDFRef>()
      parents.set(kid.page, marks.set(kid.mark, ref))
      return context.obj({ Type: 'MCR', Pg: kid.page.ref, MCID: kid.mark })
    })
    dict.set(name('K'), context.obj(kids))
    context.assign(ref, dict)
    return ref
  }
  // A tree has one document at its top: those of the sources come up into it.
  const elements = tagged.flatMap((source) => elementsOf(source))
  const content = elements.flatMap((each) => (each.type === 'Document' ? each.kids : [each]))
  const ours = tagged.flatMap(({ pages }) => [...pages.values()]).map(drawnByUs)
  const whole: Element = {
    type: 'Document',
    from: nothing(output),
    whole: false,
    kids: [...content, ...ours],
  }
  const document = write(whole, root)
  const numbers = [...parents].flatMap(([page, marks], index) => {
    page.node.set(name('StructParents'), context.obj(index))
    const list = Array.from({ length: Math.max(...marks.keys()) + 1 }, (_, mark) => marks.get(mark) ?? null)
    return [index, context.obj(list)]
  })
  const tree = context.obj({ Type: 'StructTreeRoot', K: document, ParentTree: { Nums: numbers } })
  context.assign(root, tree)
  output.catalog.set(name('StructTreeRoot'), root)
  output.catalog.set(name('MarkInfo'), context.obj({ Marked: true }))
  if (language) output.catalog.set(name('Lang'), language)
}

const nothing = (document: PDFDocument) => PDFDict.withContext(document.context)

/** Answers, ink and what else we laid on a page. */
const drawnByUs = (clean: CleanPage): Element => ({
  type: 'P',
  from: nothing(clean.page.doc),
  whole: true,
  kids: [{ page: clean.page, mark: freeMark(clean) }],
})

function rootOf(document: PDFDocument): PDFDict | undefined {
  const root = document.catalog.lookup(name('StructTreeRoot'))
  return root instanceof PDFDict ? root : undefined
}

/** The elements of a PDF that describe something which came along. */
function elementsOf({ document, pages }: TaggedSource): Element[] {
  const root = rootOf(document)!
  const { context } = document
  const byRef = new Map(document.getPages().map(({ ref }, index) => [ref, pages.get(index + 1)]))
  const roles = root.lookup(name('RoleMap'))
  const seen = new Set<PDFObject>()
  let whole = true

  const kidsOf = (of: PDFDict, page: CleanPage | undefined, depth: number): (Element | Leaf)[] => {
    const listed = of.lookup(name('K'))
    const list = listed instanceof PDFArray ? listed.asArray() : [of.get(name('K'))]
    return list.flatMap((kid) => (kid ? read(kid, page, depth) : []))
  }
  const leaf = (mark: unknown, page: CleanPage | undefined): Leaf[] => {
    const number = mark instanceof PDFNumber ? mark.asNumber() : -1
    if (page?.marks.has(number)) return [{ page: page.page, mark: number }]
    whole = false
    return []
  }
  const read = (kid: PDFObject, page: CleanPage | undefined, depth: number): (Element | Leaf)[] => {
    const found = context.lookup(kid)
    if (found instanceof PDFNumber) return leaf(found, page)
    if (!(found instanceof PDFDict) || seen.has(found) || seen.size >= MOST_ELEMENTS || depth > DEEPEST)
      return []
    seen.add(found)
    const at = found.get(name('Pg'))
    const where = at instanceof PDFRef ? byRef.get(at) : page
    const type = found.lookup(name('Type'))
    // Links are made anew (carry.ts).
    if (type === name('OBJR')) return []
    if (type === name('MCR')) return found.has(name('Stm')) ? [] : leaf(found.lookup(name('MCID')), where)
    const before = whole
    whole = true
    const kids = kidsOf(found, where, depth + 1)
    const element: Element = { type: typeOf(found, roles), from: found, whole, kids }
    whole &&= before
    return kids.length > 0 ? [element] : []
  }
  return kidsOf(root, undefined, 0).filter((kid): kid is Element => 'type' in kid)
}

/** The standard type of an element; private ones are what the PDF says they stand for. */
function typeOf(element: PDFDict, roles: unknown): string {
  let type = element.lookup(name('S'))
  for (let step = 0; step < 10 && type instanceof PDFName; step++) {
    const called = type.decodeText()
    if (STANDARD.has(called)) return called
    type = roles instanceof PDFDict ? roles.lookup(type) : undefined
  }
  return 'NonStruct'
}

function attributesOf(element: PDFDict): Record<string, string | number> | undefined {
  const given = element.lookup(name('A'))
  const list = given instanceof PDFArray ? given.asArray().map((_, at) => given.lookup(at)) : [given]
  const dict = list.find(
    (each): each is PDFDict =>
      each instanceof PDFDict &&
      ['Table', 'List'].includes(each.lookup(name('O'))?.toString().slice(1) ?? ''),
  )
  if (!dict) return undefined
  const kept = ATTRIBUTES.flatMap((each): [string, string | number][] => {
    const value = dict.lookup(name(each))
    if (value instanceof PDFName) return [[each, value.decodeText()]]
    return value instanceof PDFNumber ? [[each, value.asNumber()]] : []
  })
  return Object.fromEntries(kept)
}

const isText = (value: unknown): value is PDFString | PDFHexString =>
  value instanceof PDFString || value instanceof PDFHexString
