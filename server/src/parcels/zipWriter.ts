import { Zip, ZipPassThrough } from 'fflate'

/** The most bytes of an archive: more than that its form cannot tell (APPNOTE.TXT of ZIP, without its 64-bit form). */
export const MOST_ZIP_BYTES = 4_000_000_000

/**
 * Writes an archive as its files come, so that no more than a piece of one is in memory. Files lie in it as they are: PDFs,
 * sounds and films are small already.
 */
export class ZipWriter {
  readonly #write: (bytes: Uint8Array) => Promise<void>
  readonly #zip: Zip
  #waiting: Uint8Array[] = []
  #failed: Error | undefined

  constructor(write: (bytes: Uint8Array) => Promise<void>) {
    this.#write = write
    this.#zip = new Zip((error, bytes) => {
      if (error) this.#failed = error
      else this.#waiting.push(bytes)
    })
  }

  /** Adds a file under a name, from its pieces. */
  async add(name: string, pieces: AsyncIterable<Uint8Array> | Iterable<Uint8Array>): Promise<void> {
    const entry = new ZipPassThrough(name)
    this.#zip.add(entry)
    for await (const piece of pieces) {
      entry.push(piece)
      await this.#flush()
    }
    entry.push(new Uint8Array(), true)
    await this.#flush()
  }

  /** Writes the list of what is in it: nothing is added after that. */
  async end(): Promise<void> {
    this.#zip.end()
    await this.#flush()
  }

  async #flush(): Promise<void> {
    if (this.#failed) throw this.#failed
    for (const bytes of this.#waiting.splice(0)) await this.#write(bytes)
  }
}
