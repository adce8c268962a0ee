import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { PDFDocument, PDFFont } from '@cantoo/pdf-lib'
import type { Lettering, Measure } from '@hand-back/core'
import * as fontkit from 'fontkit'

// The faces that the screen shows, in the pieces that they ship in: each piece has some scripts.

const require = createRequire(import.meta.url)
const FAMILIES = { reading: 'andika', plain: 'atkinson-hyperlegible-next', book: 'literata' } as const
const SCRIPTS = [
  'latin',
  'latin-ext',
  'greek',
  'greek-ext',
  'cyrillic',
  'cyrillic-ext',
  'vietnamese',
] as const

interface Piece {
  readonly key: string
  readonly bytes: Buffer
  readonly font: fontkit.Font
  /** Advance widths as parts of the size, by letter. */
  readonly widths: Map<string, number>
}

type Look = Pick<Lettering, 'face' | 'bold'>

const pieces = new Map<string, Piece[]>()

function piecesOf({ face, bold }: Look): Piece[] {
  const key = `${FAMILIES[face]} ${bold ? 700 : 400}`
  let found = pieces.get(key)
  if (!found) {
    found = SCRIPTS.flatMap((script) => loadPiece(face, script, bold ? 700 : 400) ?? [])
    pieces.set(key, found)
  }
  return found
}

function loadPiece(face: Lettering['face'], script: string, weight: number): Piece | undefined {
  const family = FAMILIES[face]
  const key = `${family}-${script}-${weight}-normal`
  let bytes: Buffer
  try {
    bytes = readFileSync(require.resolve(`@fontsource/${family}/files/${key}.woff`))
  } catch {
    return undefined
  }
  return { key, bytes, font: fontkit.create(bytes) as fontkit.Font, widths: new Map() }
}

/** A run of letters that one piece of a face has. */
interface Run {
  readonly piece: Piece
  text: string
}

/** Digits of the plain face are the reading face's: its own zero is slashed, and children read and write numbers. */
const DIGIT = /[0-9]/

/** Splits a text into runs by the piece that has its letters; a letter that none has falls to the first, as a box. */
function runsOf(text: string, look: Look): Run[] {
  const of = piecesOf(look)
  // Andika and Atkinson have no Greek; the book face does.
  const all = look.face === 'book' ? of : [...of, ...piecesOf({ ...look, face: 'book' })]
  const digits = look.face === 'plain' ? piecesOf({ ...look, face: 'reading' })[0] : undefined
  const runs: Run[] = []
  for (const letter of text) {
    const last = runs.at(-1)
    const piece = (DIGIT.test(letter) && digits) || pieceFor(letter, all, last?.piece)
    if (last?.piece === piece) last.text += letter
    else runs.push({ piece, text: letter })
  }
  return runs

  /** What was set last goes on where it has the letter, a space among them. */
  function pieceFor(letter: string, all: readonly Piece[], last: Piece | undefined): Piece {
    const code = letter.codePointAt(0)!
    if (last && last !== digits && last.font.hasGlyphForCodePoint(code)) return last
    return all.find(({ font }) => font.hasGlyphForCodePoint(code)) ?? all[0]!
  }
}

function widthIn({ font, widths }: Piece, letter: string): number {
  let width = widths.get(letter)
  if (width === undefined) {
    width = font.glyphForCodePoint(letter.codePointAt(0)!).advanceWidth / font.unitsPerEm
    widths.set(letter, width)
  }
  return width
}

/** The width of letters in the shipped faces, in points; kerning left out, as it is when they are set. */
export const measure: Measure = (text, lettering) => {
  let width = 0
  for (const { piece, text: run } of runsOf(text, lettering))
    for (const letter of run) width += widthIn(piece, letter)
  return width * lettering.size
}

/** The fonts of one PDF: each piece is embedded when its first letter is set, with only the letters used. */
export class PdfFonts {
  readonly #output: PDFDocument
  readonly #embedded = new Map<string, PDFFont>()

  constructor(output: PDFDocument) {
    this.#output = output
    output.registerFontkit(fontkit as never)
  }

  /** Runs to be set one after the other, each with its font and width in points. */
  async set(text: string, lettering: Lettering): Promise<{ font: PDFFont; hex: string; width: number }[]> {
    const set = []
    for (const { piece, text: run } of runsOf(text.replace(/\p{C}/gu, ' '), lettering)) {
      const font = await this.#fontOf(piece)
      set.push({ font, hex: font.encodeText(run).toString(), width: measure(run, lettering) })
    }
    return set
  }

  async #fontOf(piece: Piece): Promise<PDFFont> {
    let font = this.#embedded.get(piece.key)
    if (!font) {
      // Ligatures would make letters narrower than they were measured.
      font = await this.#output.embedFont(piece.bytes, {
        subset: true,
        features: { liga: false, kern: false },
      })
      this.#embedded.set(piece.key, font)
    }
    return font
  }
}
