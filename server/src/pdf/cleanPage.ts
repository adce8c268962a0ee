import {
  decodePDFRawStream,
  PDFArray,
  type PDFContext,
  PDFDict,
  type PDFDocument,
  PDFHexString,
  PDFName,
  PDFNumber,
  type PDFObject,
  PDFObjectCopier,
  PDFPage,
  PDFPageLeaf,
  PDFRawStream,
  PDFRef,
  PDFStream,
  PDFString,
} from '@cantoo/pdf-lib'
import { cleanContent, type Hides, RESOURCES, type ResourceKind } from './cleanContent.ts'
import { type Layers, layersOf } from './layers.ts'
import { drawnNotes, linksOf, type PageLink } from './notes.ts'

const name = (text: string) => PDFName.of(text)
const letters = (bytes: Uint8Array) => Buffer.from(bytes).toString('latin1')

/** What programs write beside what is shown: who made it and when, earlier states, attached files, tags. */
const TOLD_BESIDE = [
  'Metadata',
  'PieceInfo',
  'OPI',
  'AF',
  'StructParent',
  'StructParents',
  'Alternates',
  'Measure',
]

/** A page of a PDF, and what in it leads elsewhere. */
export interface CleanPage {
  readonly page: PDFPage
  readonly links: readonly PageLink[]
  /** The pieces of marked content on it, by their number; none when tags are not kept. */
  readonly marks: ReadonlySet<number>
}

/**
 * Copies pages of one PDF into others so that nothing comes along which is not seen on them: no other
 * page, no script, no attachment, no hidden layer or note, no text that stands in for what is shown, and
 * no picture or font that the page does not use. Notes and form fields that are seen become part of the
 * page. What pages share is written once in each output.
 */
export class PageCleaner {
  readonly #source: PDFDocument
  readonly #layers: Layers
  /** What was cleaned before, by the reference of what it was. */
  readonly #forms = new Map<string, PDFRef>()
  readonly #copiers = new Map<PDFDocument, PDFObjectCopier>()

  constructor(source: PDFDocument) {
    this.#source = source
    this.#layers = layersOf(source)
    for (const [, object] of source.context.enumerateIndirectObjects()) {
      const dict = object instanceof PDFStream ? object.dict : object
      if (dict instanceof PDFDict) for (const each of TOLD_BESIDE) dict.delete(name(each))
    }
  }

  /**
   * Page `number` (from 1), seen through `box` (user space), made for `output` and not yet put in its place:
   * unturned, with its unit. With `tags`, its content stays marked for them. Throws for a page that is not
   * there.
   */
  copyFor(output: PDFDocument, number: number, box: readonly number[], tags = false): CleanPage {
    const { node } = this.#source.getPage(number - 1)
    const { context } = this.#source
    const resources = node.Resources()
    const notes = drawnNotes(this.#source, node, this.#layers)
    const drawn = contentOf(node.Contents(), context)
    const { content, resources: used, marks } = this.#clean(drawn, resources, [], tags)
    for (const [index, { form }] of notes.entries())
      this.#add(used, 'XObject', `HandBackNote${index}`, this.#cleanResource('XObject', form, undefined, []))
    const copier = this.#copierTo(output)
    const made = PDFPageLeaf.fromMapWithContext(new Map(), output.context)
    made.set(name('Type'), name('Page'))
    made.set(name('MediaBox'), output.context.obj([...box]))
    const unit = node.get(name('UserUnit'))
    if (unit instanceof PDFNumber) made.set(name('UserUnit'), unit)
    const group = node.lookup(name('Group'))
    if (group instanceof PDFDict) made.set(name('Group'), copier.copy(group))
    made.set(name('Resources'), copier.copy(used))
    const noted = notes.map(({ place }, index) => `q ${place} cm /HandBackNote${index} Do Q`)
    const text = noted.length > 0 ? `q\n${content}\nQ\n${noted.join('\n')}` : content
    const stream = output.context.flateStream(Buffer.from(text, 'latin1'))
    made.set(name('Contents'), output.context.register(stream))
    const page = PDFPage.of(made, output.context.register(made), output)
    return { page, links: linksOf(this.#source, node), marks }
  }

  /** What is shown of a content stream, with just the resources that it uses. `within`: the forms that it stands in. */
  #clean(content: string, resources: PDFDict | undefined, within: readonly string[], tags = false) {
    const of = (kind: ResourceKind) => {
      const dict = resources?.lookup(name(kind))
      return dict instanceof PDFDict ? dict : undefined
    }
    const markOf = (properties: string) => {
      const found = of('Properties')?.lookup(name(properties))
      const mark = found instanceof PDFDict ? found.lookup(name('MCID')) : undefined
      return mark instanceof PDFNumber ? mark.asNumber() : undefined
    }
    const hides: Hides = {
      property: (layer) => this.#layers.isHidden(of('Properties')?.get(name(layer))),
      object: (object) => {
        const found = of('XObject')?.lookup(name(object))
        return found instanceof PDFStream && this.#layers.isHidden(found.dict.get(name('OC')))
      },
    }
    const cleaned = cleanContent(content, hides, tags ? markOf : undefined)
    const used = this.#source.context.obj({}) as PDFDict
    for (const kind of RESOURCES)
      for (const each of cleaned.used[kind]) {
        const value = of(kind)?.get(name(each))
        if (value) this.#add(used, kind, each, this.#cleanResource(kind, value, resources, within))
      }
    // Those by which device colours are meant are used without being named.
    for (const each of ['DefaultGray', 'DefaultRGB', 'DefaultCMYK']) {
      const value = of('ColorSpace')?.get(name(each))
      if (value) this.#add(used, 'ColorSpace', each, value)
    }
    return { content: cleaned.content, resources: used, marks: cleaned.marks }
  }

  #add(resources: PDFDict, kind: ResourceKind, key: string, value: PDFObject): void {
    const there = resources.lookup(name(kind))
    const dict = there instanceof PDFDict ? there : (this.#source.context.obj({}) as PDFDict)
    if (dict !== there) resources.set(name(kind), dict)
    dict.set(name(key), value)
  }

  /** A resource without what it might carry along: forms and patterns are cleaned like pages. */
  #cleanResource(
    kind: ResourceKind,
    value: PDFObject,
    outer: PDFDict | undefined,
    within: readonly string[],
  ): PDFObject {
    const found = this.#source.context.lookup(value)
    if ((kind === 'XObject' || kind === 'Pattern') && found instanceof PDFStream)
      return this.#cleanForm(value, found, outer, within)
    if (kind === 'ExtGState' && found instanceof PDFDict) {
      const mask = found.lookup(name('SMask'))
      const form = mask instanceof PDFDict ? mask.get(name('G')) : undefined
      const stream = form && this.#source.context.lookup(form)
      if (form && mask instanceof PDFDict && stream instanceof PDFStream) {
        const cleanMask = mask.clone(this.#source.context)
        cleanMask.set(name('G'), this.#cleanForm(form, stream, outer, within))
        const state = found.clone(this.#source.context)
        state.set(name('SMask'), cleanMask)
        return state
      }
    }
    if (kind === 'Properties' && found instanceof PDFDict) {
      // Of a layer only its name comes along.
      const known = this.#forms.get(String(value))
      if (known) return known
      const layer = this.#source.context.obj({ Type: 'OCG' }) as PDFDict
      const called = found.lookup(name('Name'))
      layer.set(
        name('Name'),
        called instanceof PDFString || called instanceof PDFHexString ? called : PDFString.of('Layer'),
      )
      const kept = this.#source.context.register(layer)
      if (value instanceof PDFRef) this.#forms.set(String(value), kept)
      return kept
    }
    return value
  }

  #cleanForm(
    ref: PDFObject,
    stream: PDFStream,
    outer: PDFDict | undefined,
    within: readonly string[],
  ): PDFObject {
    const key = String(ref instanceof PDFRef ? ref : this.#source.context.getObjectRef(stream))
    const known = this.#forms.get(key)
    if (known) return known
    const { context } = this.#source
    const isPicture = stream.dict.lookup(name('Subtype')) === name('Image')
    const dict = stream.dict.clone(context)
    dict.delete(name('OC'))
    if (isPicture) {
      const kept = context.register(PDFRawStream.of(dict, stream.getContents()))
      this.#forms.set(key, kept)
      return kept
    }
    // A form that shows itself shows nothing.
    if (within.includes(key))
      return context.register(context.stream('', { Type: 'XObject', Subtype: 'Form', BBox: [0, 0, 1, 1] }))
    const own = dict.lookup(name('Resources'))
    const { content, resources } = this.#clean(bytesOf(stream), own instanceof PDFDict ? own : outer, [
      ...within,
      key,
    ])
    for (const each of ['Filter', 'DecodeParms', 'Length', 'F', 'FFilter', 'FDecodeParms'])
      dict.delete(name(each))
    dict.set(name('Resources'), resources)
    const packed = context.flateStream(Buffer.from(content, 'latin1'))
    for (const [each, value] of packed.dict.entries()) dict.set(each, value)
    const kept = context.register(PDFRawStream.of(dict, packed.getContents()))
    this.#forms.set(key, kept)
    return kept
  }

  #copierTo(output: PDFDocument): PDFObjectCopier {
    let copier = this.#copiers.get(output)
    if (!copier) {
      copier = PDFObjectCopier.for(this.#source.context, output.context)
      this.#copiers.set(output, copier)
    }
    return copier
  }
}

/** Names the layers of a PDF's pages in its catalogue, all of them to be seen: without that they could not be turned off. */
export function carryLayers(output: PDFDocument): void {
  const layers = output.context
    .enumerateIndirectObjects()
    .filter(([, object]) => object instanceof PDFDict && object.lookup(name('Type')) === name('OCG'))
    .map(([ref]) => ref)
  if (layers.length > 0)
    output.catalog.set(
      name('OCProperties'),
      output.context.obj({ OCGs: layers, D: { Order: layers, ON: layers } }),
    )
}

function bytesOf(stream: PDFStream): string {
  return letters(stream instanceof PDFRawStream ? decodePDFRawStream(stream).decode() : stream.getContents())
}

function contentOf(contents: PDFObject | undefined, context: PDFContext): string {
  const streams =
    contents instanceof PDFArray ? contents.asArray().map((each) => context.lookup(each)) : [contents]
  return streams.flatMap((stream) => (stream instanceof PDFStream ? [bytesOf(stream)] : [])).join('\n')
}
