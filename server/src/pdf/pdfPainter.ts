import {
  BlendMode,
  type PDFDocument,
  type PDFEmbeddedPage,
  type PDFImage,
  type PDFPage,
  type PDFRef,
} from '@cantoo/pdf-lib'
import {
  type Affine,
  type Box,
  colourOperands,
  type Drawn,
  drawnRuling,
  HIGHLIGHTER_OPACITY,
  invertAffine,
  isGrainy,
  joinAffine,
  middleLineOperators,
  type PdfPaper,
  pathOperators,
  seenToPdf,
  shinesThrough,
  strokeOperators,
} from '@hand-back/core'
import { measure, PdfFonts } from './fonts.ts'
import { GrainPattern } from './grainPattern.ts'
import type { Originals } from './originals.ts'

type Of<Kind extends Drawn['kind']> = Extract<Drawn, { kind: Kind }>

/** Turns what is drawn into the operators of one PDF, whose fonts, pictures and foreign pages are shared by all its pages. */
export class PdfPainter {
  readonly #output: PDFDocument
  readonly #originals: Originals
  readonly #fonts: PdfFonts
  readonly #grain: GrainPattern
  readonly #pictures = new Map<string, PDFImage>()
  readonly #forms = new Map<string, PDFEmbeddedPage>()
  readonly #shiningOn = new Map<PDFPage, string>()
  readonly #small: boolean
  #shine: PDFRef | undefined

  /** `small`: for a picture in which a point is less than a dot. */
  constructor(output: PDFDocument, originals: Originals, small = false) {
    this.#small = small
    this.#output = output
    this.#originals = originals
    this.#fonts = new PdfFonts(output)
    this.#grain = new GrainPattern(output)
  }

  /** The operators that draw it on `page`, in page space (points, y down). */
  async operators(page: PDFPage, drawn: readonly Drawn[]): Promise<string> {
    const parts: string[] = []
    for (const one of drawn) parts.push(await this.#one(page, one))
    return parts.join('\n')
  }

  async #one(page: PDFPage, one: Drawn): Promise<string> {
    switch (one.kind) {
      case 'path':
        return one.shines ? this.#shining(page, drawnPath(one)) : drawnPath(one)
      case 'text':
        return this.#text(page, one)
      case 'picture':
        return this.#picture(page, one.file, one.crop, one.box)
      case 'piece':
        return this.#piece(page, one)
      case 'stroke':
        return this.#stroke(page, one)
      case 'laid': {
        const { a, b, e, f } = one.by
        return `q ${matrix([a, b, -b, a, e, f])} cm\n${await this.operators(page, one.drawn)}\nQ`
      }
    }
  }

  #stroke(page: PDFPage, { stroke, lies }: Of<'stroke'>): string {
    const fill = isGrainy(stroke) && !this.#small ? this.#grain.fill(page, stroke.colour) : undefined
    const drawn = this.#small ? middleLineOperators(stroke) : strokeOperators(stroke, fill)
    const inked = shinesThrough(stroke) ? this.#shining(page, drawn) : drawn
    return lies ? inBox(lies.inner, lies.box, inked) : inked
  }

  /** What shines through is multiplied with what is under it. */
  #shining(page: PDFPage, operators: string): string {
    let name = this.#shiningOn.get(page)
    if (!name) {
      const { context } = this.#output
      this.#shine ??= context.register(
        context.obj({ Type: 'ExtGState', BM: BlendMode.Multiply, ca: HIGHLIGHTER_OPACITY }),
      )
      name = String(page.node.newExtGState('HandBackShine', this.#shine))
      this.#shiningOn.set(page, name)
    }
    return `q ${name} gs\n${operators}\nQ`
  }

  async #text(page: PDFPage, { text, x, y, colour, ...lettering }: Of<'text'>): Promise<string> {
    const parts = ['BT', `${colourOperands(colour)} rg`]
    let at = x
    for (const { font, hex, width } of await this.#fonts.set(text, lettering)) {
      const name = page.node.newFontDictionary(font.name, font.ref)
      parts.push(`${name} ${lettering.size} Tf 1 0 0 -1 ${short(at)} ${short(y)} Tm ${hex} Tj`)
      at += width
    }
    return [...parts, 'ET'].join('\n')
  }

  async #picture(page: PDFPage, file: string, crop: Box, box: Box): Promise<string> {
    let picture = this.#pictures.get(file)
    if (!picture) {
      const bytes = this.#originals.find(file)
      // What this person may not see leaves its place empty.
      if (!bytes) return ''
      picture = bytes[0] === 0x89 ? await this.#output.embedPng(bytes) : await this.#output.embedJpg(bytes)
      this.#pictures.set(file, picture)
    }
    const name = page.node.newXObject('Picture', picture.ref)
    const width = box.width / crop.width
    const height = box.height / crop.height
    const place: Affine = [width, 0, 0, -height, box.x - crop.x * width, box.y + (1 - crop.y) * height]
    return clipped(box, `${matrix(place)} cm\n${name} Do`)
  }

  /** Part of a paper in a box: the whole of it drawn through a window. */
  async #piece(page: PDFPage, { paper, whole, part, box }: Of<'piece'>): Promise<string> {
    const [sx, sy] = [box.width / part.width, box.height / part.height]
    const place: Affine = [sx, 0, 0, sy, box.x - part.x * sx, box.y - part.y * sy]
    if (paper.kind === 'ruled') {
      const inner = await this.operators(page, drawnRuling(paper.ruling, whole, measure))
      return clipped(box, `${matrix(place)} cm\n${inner}`)
    }
    if (paper.kind === 'picture') {
      const name = `${paper.file} ${paper.turn ?? 0}`
      const inner = await this.#picture(
        page,
        name,
        { x: 0, y: 0, width: 1, height: 1 },
        { x: 0, y: 0, ...whole },
      )
      return clipped(box, `${matrix(place)} cm\n${inner}`)
    }
    const form = page.node.newXObject('Piece', (await this.#form(paper)).ref)
    return clipped(box, `${matrix(joinAffine(place, invertAffine(seenToPdf(paper))))} cm\n${form} Do`)
  }

  async #form(paper: PdfPaper): Promise<PDFEmbeddedPage> {
    const key = `${paper.file} ${paper.number} ${paper.box}`
    let form = this.#forms.get(key)
    if (!form) {
      const source = await this.#originals.document(paper.file)
      const [left, bottom, right, top] = paper.box
      const box = { left, bottom, right, top }
      form = await this.#output.embedPage(source.getPage(paper.number - 1), box, [1, 0, 0, 1, 0, 0])
      this.#forms.set(key, form)
    }
    return form
  }
}

function drawnPath({ d, fill, stroke, width = 1, dash, at }: Of<'path'>): string {
  const paint = fill && stroke ? 'B' : fill ? 'f' : 'S'
  return [
    'q',
    ...(at ? [`${short5(at.scale)} 0 0 ${short5(at.scale)} ${short(at.x)} ${short(at.y)} cm`] : []),
    ...(fill ? [`${colourOperands(fill)} rg`] : []),
    ...(stroke ? [`${colourOperands(stroke)} RG ${short(width)} w 1 j`] : []),
    ...(dash ? [`[${dash.map(short5).join(' ')}] 0 d`] : []),
    pathOperators(d),
    paint,
    'Q',
  ].join('\n')
}

/** Draws what lies in `inner` so that it lies in `box`. */
function inBox(inner: Box, box: Box, operators: string): string {
  const sx = inner.width > 0 ? box.width / inner.width : 1
  const sy = inner.height > 0 ? box.height / inner.height : 1
  return `q ${matrix([sx, 0, 0, sy, box.x - inner.x * sx, box.y - inner.y * sy])} cm\n${operators}\nQ`
}

function clipped({ x, y, width, height }: Box, operators: string): string {
  return `q ${short(x)} ${short(y)} ${short(width)} ${short(height)} re W n\n${operators}\nQ`
}

const short = (value: number) => String(Math.round(value * 100) / 100)
const short5 = (value: number) => value.toFixed(6)
const matrix = (of: Affine) => of.map(short5).join(' ')
