import Papa from 'papaparse'

/** A table as it stands in a CSV file. `line` of a row: where it stands in the file, from 1. */
export interface CsvTable {
  readonly columns: readonly string[]
  readonly rows: readonly { readonly line: number; readonly cells: Readonly<Record<string, string>> }[]
}

/**
 * The letters of a text file: UTF-8 with or without its mark, UTF-16 with its mark; what is not UTF-8 is
 * read as Windows-1252, which older spreadsheets write (WHATWG Encoding).
 */
export function readLetters(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes)
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return new TextDecoder('windows-1252').decode(bytes)
  }
}

/** Reads CSV (RFC 4180) with a line of column names; commas, semicolons and tabs are found out. */
export function readCsv(bytes: Uint8Array): CsvTable {
  const letters = readLetters(bytes)
  const [head, ...rest] = linesOf(letters, separatorOf(letters))
  const columns = head?.cells ?? []
  return {
    columns,
    rows: rest.map(({ line, cells }) => ({
      line,
      cells: Object.fromEntries(columns.map((column, index) => [column, cells[index] ?? ''])),
    })),
  }
}

type Cells = readonly (readonly string[])[]
const unparsed = (columns: readonly string[], rows: Cells, delimiter: string) =>
  Papa.unparse(
    { fields: [...columns], data: rows.map((row) => [...row]) },
    { escapeFormulae: true, delimiter },
  )

/** The lines of a table that are not empty. */
const linesOf = (letters: string, delimiter: string, preview = 0) =>
  Papa.parse<string[]>(letters, { skipEmptyLines: false, delimiter, preview })
    .data.map((cells, index) => ({ line: index + 1, cells: cells.map((cell) => cell.trim()) }))
    .filter(({ cells }) => cells.some((cell) => cell !== ''))

const SEPARATORS = [',', ';', '\t']
/** So many lines decide what separates cells. */
const LOOKED_AT = 20

/**
 * What separates cells: by which most lines have as many cells as the head has; of several, by which there are most.
 * Names and numbers may have the others in them.
 */
function separatorOf(letters: string): string {
  const ranked = SEPARATORS.map((separator) => {
    const [head, ...rest] = linesOf(letters, separator, LOOKED_AT)
    const columns = head?.cells.length ?? 0
    const fitting = rest.filter(({ cells }) => cells.length === columns).length
    return { separator, columns, fits: columns > 1 ? fitting / Math.max(1, rest.length) : -1 }
  })
  ranked.sort((a, b) => b.fits - a.fits || b.columns - a.columns)
  return ranked[0]!.separator
}

/** Writes CSV with its mark, so that spreadsheets see that it is UTF-8; cells cannot become formulas. */
export const writeCsv = (columns: readonly string[], rows: Cells, delimiter: ',' | ';' = ','): string =>
  `\ufeff${unparsed(columns, rows, delimiter)}\r\n`

/** The same without its mark, for programs that read it by the letter. */
export const writeBareCsv = (columns: readonly string[], rows: Cells): string =>
  `${unparsed(columns, rows, ',')}\r\n`
