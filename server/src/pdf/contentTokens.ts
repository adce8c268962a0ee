/** One operator of a content stream with its operands, as they stand in it (ISO 32000-2, 7.8.2). */
export interface Operation {
  readonly operator: string
  /** Names, numbers, strings, arrays and dictionaries, each as written. */
  readonly operands: readonly string[]
  /** All of it as written: operands and operator; for an inline image, its data too. */
  readonly text: string
}

const WHITE = /[\0\t\n\f\r ]/
const ENDS = /[\0\t\n\f\r ()<>[\]{}/%]/

/** Reads the operators of a content stream, given as one letter a byte. What cannot be read ends it. */
export function* operationsOf(content: string): Generator<Operation> {
  const reader = new Reader(content)
  let operands: string[] = []
  let start = reader.at
  for (;;) {
    reader.skipWhite()
    if (reader.ended) return
    if (operands.length === 0) start = reader.at
    const object = reader.object()
    if (object !== undefined) {
      operands.push(object)
      continue
    }
    const operator = reader.word()
    if (operator === '') return
    if (operator === 'BI') reader.skipInlineImage()
    yield { operator, operands, text: content.slice(start, reader.at) }
    operands = []
  }
}

class Reader {
  readonly #content: string
  at = 0

  constructor(content: string) {
    this.#content = content
  }

  get ended(): boolean {
    return this.at >= this.#content.length
  }

  skipWhite(): void {
    for (; !this.ended; this.at++) {
      const letter = this.#content[this.at]!
      if (letter === '%') while (!this.ended && !/[\r\n]/.test(this.#content[this.at]!)) this.at++
      else if (!WHITE.test(letter)) return
    }
  }

  /** An object as it is written; `undefined` where an operator stands. */
  object(): string | undefined {
    const from = this.at
    const letter = this.#content[from]!
    if (letter === '(') this.#string()
    else if (letter === '<' && this.#content[from + 1] === '<') this.#nested('<<', '>>')
    else if (letter === '<') this.#to('>')
    else if (letter === '[') this.#nested('[', ']')
    else if (letter === '/') {
      this.at++
      this.word()
    } else if (/[0-9+\-.]/.test(letter)) this.word()
    else if (/^(true|false|null)(?![^\0\t\n\f\r ()<>[\]{}/%])/.test(this.#content.slice(from, from + 6)))
      this.word()
    else return undefined
    return this.#content.slice(from, this.at)
  }

  word(): string {
    const from = this.at
    while (!this.ended && !ENDS.test(this.#content[this.at]!)) this.at++
    // A stray bracket belongs to nothing; it is passed over so that reading goes on.
    if (this.at === from && !this.ended && this.#content[from] !== '/') this.at++
    return this.#content.slice(from, this.at)
  }

  /** From `BI` to past `EI`: the data between may hold anything, so an end counts only where an operator may follow. */
  skipInlineImage(): void {
    const begins = /\bID[\0\t\n\f\r ]/g
    begins.lastIndex = this.at
    const data = begins.exec(this.#content)
    // biome-ignore lint/suspicious/noControlCharactersInRegex: image data is told from operators by them
    const ends = /[\0\t\n\f\r ]EI(?=[\0\t\n\f\r ]|$)(?![^\n]{0,10}[\x80-\xff\x00-\x08])/g
    ends.lastIndex = data ? begins.lastIndex : this.at
    this.at = ends.exec(this.#content) ? ends.lastIndex : this.#content.length
  }

  #string(): void {
    let depth = 0
    for (; !this.ended; this.at++) {
      const letter = this.#content[this.at]
      if (letter === '\\') this.at++
      else if (letter === '(') depth++
      else if (letter === ')' && --depth === 0) break
    }
    this.at++
  }

  #to(end: string): void {
    const found = this.#content.indexOf(end, this.at)
    this.at = found < 0 ? this.#content.length : found + end.length
  }

  #nested(open: string, close: string): void {
    this.at += open.length
    for (;;) {
      this.skipWhite()
      if (this.ended) return
      if (this.#content.startsWith(close, this.at)) {
        this.at += close.length
        return
      }
      // A word that is no object (R of a reference, say) is passed over.
      if (this.object() === undefined) this.word()
    }
  }
}
