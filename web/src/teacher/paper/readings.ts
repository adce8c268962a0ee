import type { PaperInto } from '../../page/fromPaper/sheets/into.ts'
import { SheetReading } from '../../page/fromPaper/sheets/reading.ts'

const readings = new Map<string, SheetReading>()

/** The sheets that are being read for a hand-out: they go on being read while one looks at something else. */
export function readingOf(handout: string, into: PaperInto): SheetReading {
  let reading = readings.get(handout)
  if (!reading) {
    reading = new SheetReading(into)
    readings.set(handout, reading)
  }
  return reading
}

/** They are all where they belong. */
export function endReading(handout: string): void {
  readings.get(handout)?.end()
  readings.delete(handout)
}
