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
  const { data } = Papa.parse<string[]>(readLetters(bytes), { skipEmptyLines: false })
  const lines = data
    .map((cells, index) => ({ line: index + 1, cells: cells.map((cell) => cell.trim()) }))
    .filter(({ cells }) => cells.some((cell) => cell !== ''))
  const [head, ...rest] = lines
  const columns = head?.cells ?? []
  return {
    columns,
    rows: rest.map(({ line, cells }) => ({
      line,
      cells: Object.fromEntries(columns.map((column, index) => [column, cells[index] ?? ''])),
    })),
  }
}

/** Writes CSV with its mark, so that spreadsheets see that it is UTF-8; cells cannot become formulas. */
export function writeCsv(columns: readonly string[], rows: readonly (readonly string[])[]): string {
  return `\ufeff${Papa.unparse({ fields: [...columns], data: rows.map((row) => [...row]) }, { escapeFormulae: true })}\r\n`
}
