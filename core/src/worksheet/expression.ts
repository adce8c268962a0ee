/** The value of a formula for given letters. Not a number where it has none (1/0, the root of -1). */
export type Evaluate = (letters: Readonly<Record<string, number>>) => number

/** A formula could not be read; `message` is a sentence for people. */
export class NotAFormula extends Error {}

const FUNCTIONS: Readonly<Record<string, (value: number) => number>> = {
  sin: Math.sin,
  cos: Math.cos,
  tan: Math.tan,
  asin: Math.asin,
  acos: Math.acos,
  atan: Math.atan,
  sqrt: Math.sqrt,
  abs: Math.abs,
  exp: Math.exp,
  ln: Math.log,
  log: Math.log10,
  floor: Math.floor,
  ceil: Math.ceil,
  round: Math.round,
}
const CONSTANTS: Readonly<Record<string, number>> = { pi: Math.PI, π: Math.PI, e: Math.E }
/** Brackets in brackets deeper than this are not a formula that anybody writes. */
const DEEPEST = 60

type Token = { readonly kind: 'number' | 'name' | 'sign'; readonly text: string }

/**
 * Reads a formula in x as people write it: + − * / ^, brackets, a sign in front, factors set side by
 * side (2x, 3(x+1)), the names in `FUNCTIONS`, π and e, and single letters for parameters. What stands
 * before = is left out (`y = …`). Powers go from the right and before a sign in front (−x^2 = −(x^2)).
 * Throws `NotAFormula`. Method: top-down operator precedence (Pratt 1973).
 */
export function readFormula(text: string, letters: readonly string[] = []): Evaluate {
  const formula = text.replace(/^\s*(y|f\s*\(\s*x\s*\))\s*=/, '')
  const reader = new Reader(tokensOf(formula), new Set(['x', ...letters]))
  return reader.whole()
}

function tokensOf(text: string): Token[] {
  const tokens: Token[] = []
  const pattern = /\s*(?:(\d+(?:[.,]\d+)?|[.,]\d+)|([a-zπ]+)|([-+*/^()|·×−÷:]))/giy
  let at = 0
  while (at < text.trimEnd().length) {
    pattern.lastIndex = at
    const found = pattern.exec(text)
    if (!found) throw new NotAFormula(`“${text.slice(at).trim().slice(0, 12)}” cannot be read in a formula.`)
    const [, number, name, sign] = found
    if (number) tokens.push({ kind: 'number', text: number.replace(',', '.') })
    else if (name) tokens.push(...namesIn(name))
    else tokens.push({ kind: 'sign', text: SAME_SIGN[sign!] ?? sign! })
    at = pattern.lastIndex
  }
  if (tokens.length === 0) throw new NotAFormula('Write a formula in x, such as 2x + 1.')
  return tokens
}

const SAME_SIGN: Readonly<Record<string, string>> = { '·': '*', '×': '*', '−': '-', '÷': '/', ':': '/' }

/** Letters set side by side: a known name, or one letter after the other (`ax` is a times x). */
function namesIn(letters: string): Token[] {
  const names: Token[] = []
  let rest = letters
  while (rest !== '') {
    const known = [...Object.keys(FUNCTIONS), 'pi'].filter((name) => rest.startsWith(name))
    const name = known.sort((a, b) => b.length - a.length)[0] ?? rest[0]!
    names.push({ kind: 'name', text: name })
    rest = rest.slice(name.length)
  }
  return names
}

class Reader {
  readonly #tokens: readonly Token[]
  readonly #letters: ReadonlySet<string>
  #at = 0
  #deep = 0

  constructor(tokens: readonly Token[], letters: ReadonlySet<string>) {
    this.#tokens = tokens
    this.#letters = letters
  }

  whole(): Evaluate {
    const value = this.#sum()
    const left = this.#tokens[this.#at]
    if (left) throw new NotAFormula(`“${left.text}” is not expected there.`)
    return value
  }

  #sum(): Evaluate {
    let value = this.#product()
    for (;;) {
      const before = value
      if (this.#take('+')) value = both(before, this.#product(), (a, b) => a + b)
      else if (this.#take('-')) value = both(before, this.#product(), (a, b) => a - b)
      else return value
    }
  }

  #product(): Evaluate {
    let value = this.#signed()
    for (;;) {
      const before = value
      if (this.#take('*')) value = both(before, this.#signed(), (a, b) => a * b)
      else if (this.#take('/')) value = both(before, this.#signed(), (a, b) => a / b)
      else if (this.#factorBegins()) value = both(before, this.#power(), (a, b) => a * b)
      else return value
    }
  }

  #signed(): Evaluate {
    if (this.#take('-')) {
      const value = this.#deeper(() => this.#signed())
      return (letters) => -value(letters)
    }
    if (this.#take('+')) return this.#deeper(() => this.#signed())
    return this.#power()
  }

  #power(): Evaluate {
    const base = this.#atom()
    if (!this.#take('^')) return base
    return both(
      base,
      this.#deeper(() => this.#signed()),
      (a, b) => a ** b,
    )
  }

  #atom(): Evaluate {
    const token = this.#tokens[this.#at++]
    if (!token) throw new NotAFormula('This formula ends too early.')
    if (token.kind === 'number') {
      const value = Number(token.text)
      return () => value
    }
    if (token.kind === 'name') return this.#named(token.text)
    if (token.text === '(') return this.#bracketed(')')
    if (token.text === '|') {
      const inside = this.#bracketed('|')
      return (letters) => Math.abs(inside(letters))
    }
    throw new NotAFormula(`“${token.text}” stands where a number or a letter should be.`)
  }

  #named(name: string): Evaluate {
    const call = Object.hasOwn(FUNCTIONS, name) ? FUNCTIONS[name] : undefined
    if (call) {
      const inside = this.#deeper(() => (this.#take('(') ? this.#bracketed(')') : this.#power()))
      return (letters) => call(inside(letters))
    }
    if (this.#letters.has(name)) return (letters) => letters[name] ?? Number.NaN
    const constant = Object.hasOwn(CONSTANTS, name) ? CONSTANTS[name] : undefined
    if (constant !== undefined) return () => constant
    throw new NotAFormula(`“${name}” is not x, and no parameter has that name.`)
  }

  #bracketed(end: string): Evaluate {
    const inside = this.#deeper(() => this.#sum())
    if (!this.#take(end)) throw new NotAFormula(`A “${end}” is missing.`)
    return inside
  }

  #deeper<T>(read: () => T): T {
    if (++this.#deep > DEEPEST) throw new NotAFormula('This formula has too many brackets.')
    const value = read()
    this.#deep--
    return value
  }

  #factorBegins(): boolean {
    const token = this.#tokens[this.#at]
    return token !== undefined && (token.kind !== 'sign' || token.text === '(')
  }

  #take(sign: string): boolean {
    const token = this.#tokens[this.#at]
    if (token?.kind !== 'sign' || token.text !== sign) return false
    this.#at++
    return true
  }
}

function both(a: Evaluate, b: Evaluate, join: (a: number, b: number) => number): Evaluate {
  return (letters) => join(a(letters), b(letters))
}
