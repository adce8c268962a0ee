/** Parts of a mark that have a sign of their own, in hundredths. */
const PARTS: Readonly<Record<number, string>> = { 25: '¼', 50: '½', 75: '¾' }

/** Marks in words, of hundredths of a mark: “7”, “5½”, “½”, “2.35”. */
export function sayMarks(hundredths: number): string {
  const whole = Math.floor(hundredths / 100)
  const rest = hundredths % 100
  if (rest === 0) return String(whole)
  const sign = PARTS[rest]
  if (sign) return whole === 0 ? sign : `${whole}${sign}`
  return (hundredths / 100).toFixed(2).replace(/0$/, '')
}

const SIGNS = new Map(Object.entries(PARTS).map(([part, sign]) => [sign, Number(part)]))
const WRITTEN = /^(\d{0,4})(?:[.,](\d{1,2}))?([¼½¾]?)$/

/**
 * Hundredths of a mark as somebody writes them: “2”, “1.5”, “1,5”, “1½”, “.5”, “½”. Nothing for what is no
 * marks. Law: `readMarks(sayMarks(n)) === n`.
 */
export function readMarks(text: string): number | undefined {
  const found = WRITTEN.exec(text.replace(/\s+/g, ''))
  if (!found) return undefined
  const [, whole = '', part, sign = ''] = found
  if (part !== undefined && sign !== '') return undefined
  if (whole === '' && part === undefined && sign === '') return undefined
  return Number(whole) * 100 + Number((part ?? '').padEnd(2, '0')) + (SIGNS.get(sign) ?? 0)
}
