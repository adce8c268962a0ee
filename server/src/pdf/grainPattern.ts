import { PDFDict, type PDFDocument, PDFName, type PDFPage, type PDFRef } from '@cantoo/pdf-lib'
import { colourOperands, GRAIN_SIZE, GRAINS, grain } from '@hand-back/core'

/** What the grain of a pencil is called among a page's patterns and colour spaces. */
const NAME = 'HandBackGrain'

/** The grain of paper under a pencil, as an uncoloured tiling pattern (ISO 32000-1, 8.7.3.3), once in a PDF. */
export class GrainPattern {
  readonly #output: PDFDocument
  #pattern: PDFRef | undefined

  constructor(output: PDFDocument) {
    this.#output = output
  }

  /** The operators that make a page fill with grains of a colour. */
  fill(page: PDFPage, colour: string): string {
    this.#pattern ??= this.#made()
    const { Resources } = page.node.normalizedEntries()
    put(Resources, 'Pattern', this.#pattern)
    put(Resources, 'ColorSpace', this.#output.context.obj(['Pattern', 'DeviceRGB']))
    return `/${NAME} cs ${colourOperands(colour)} /${NAME} scn`
  }

  #made(): PDFRef {
    const { context } = this.#output
    const mask = context.register(
      context.flateStream(bits(grain()), {
        Type: 'XObject',
        Subtype: 'Image',
        Width: GRAINS,
        Height: GRAINS,
        ImageMask: true,
        BitsPerComponent: 1,
        Decode: [1, 0],
      }),
    )
    const side = GRAINS * GRAIN_SIZE
    return context.register(
      context.flateStream(`q ${side} 0 0 ${side} 0 0 cm /Grain Do Q`, {
        Type: 'Pattern',
        PatternType: 1,
        PaintType: 2,
        TilingType: 1,
        BBox: [0, 0, side, side],
        XStep: side,
        YStep: side,
        Resources: { XObject: { Grain: mask } },
      }),
    )
  }
}

function put(resources: PDFDict, group: string, what: Parameters<PDFDict['set']>[1]): void {
  const there = resources.lookupMaybe(PDFName.of(group), PDFDict) ?? resources.context.obj({})
  there.set(PDFName.of(NAME), what)
  resources.set(PDFName.of(group), there)
}

/** Ones and noughts, eight a byte, the first highest. */
function bits(of: Uint8Array): Uint8Array {
  return Uint8Array.from({ length: of.length / 8 }, (_, byte) =>
    of.subarray(byte * 8, byte * 8 + 8).reduce((bits, one) => bits * 2 + one, 0),
  )
}
