/** Whose page of which copy a sheet of paper is. */
export interface PageCode {
  readonly copy: string
  readonly page: string
}

/** What our codes begin with. */
const OURS = 'HB'
/** How many figures, of base 36, an id of 128 bits has. */
const FIGURES = 25
const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/

/** The letters of a page's code: both ids, as short as they can be told in capitals and figures. */
export function writePageCode({ copy, page }: PageCode): string {
  return OURS + figuresOf(copy) + figuresOf(page)
}

/** Reads the letters of a code; nothing: it is not one of ours. */
export function readPageCode(letters: string): PageCode | undefined {
  if (letters.length !== OURS.length + 2 * FIGURES || !letters.startsWith(OURS)) return undefined
  const copy = idOf(letters.slice(OURS.length, OURS.length + FIGURES))
  const page = idOf(letters.slice(OURS.length + FIGURES))
  return copy && page ? { copy, page } : undefined
}

const figuresOf = (id: string): string =>
  BigInt(`0x${id.replaceAll('-', '')}`)
    .toString(36)
    .toUpperCase()
    .padStart(FIGURES, '0')

function idOf(figures: string): string | undefined {
  if (!/^[0-9A-Z]+$/.test(figures)) return undefined
  let value = 0n
  for (const figure of figures) value = value * 36n + BigInt(Number.parseInt(figure, 36))
  const hex = value.toString(16).padStart(32, '0')
  const id = [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join(
    '-',
  )
  return UUID.test(id) ? id : undefined
}
