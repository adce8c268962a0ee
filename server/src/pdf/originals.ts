import type { PDFDocument } from '@cantoo/pdf-lib'
import { openPdf } from './openPdf.ts'

/** The files that pages show, by name; PDFs are opened once. */
export class Originals {
  readonly #files: ReadonlyMap<string, Uint8Array>
  readonly #open = new Map<string, Promise<PDFDocument>>()

  /** PDFs as they are under their SHA-256; pictures as PNG or upright JPEG, turned ones under their name and turn. */
  constructor(files: ReadonlyMap<string, Uint8Array>) {
    this.#files = files
  }

  find(file: string): Uint8Array | undefined {
    return this.#files.get(file)
  }

  bytes(file: string): Uint8Array {
    const bytes = this.#files.get(file)
    if (!bytes) throw new Error(`no file ${file}`)
    return bytes
  }

  document(file: string): Promise<PDFDocument> {
    let document = this.#open.get(file)
    if (!document) {
      document = openPdf(this.bytes(file))
      this.#open.set(file, document)
    }
    return document
  }
}
