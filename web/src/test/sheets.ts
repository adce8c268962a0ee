import { bareSheet, type Measure, type Printed, type WorksheetPage } from '@hand-back/core'

/** Letters half as wide as they are high. */
export const measured: Measure = (text, { size }) => [...text].length * size * 0.5

/** A plain page to be put things on. */
export const plainPage = (...printed: WorksheetPage['printed']): WorksheetPage => ({
  id: crypto.randomUUID(),
  width: 600,
  height: 800,
  paper: { kind: 'ruled', ruling: { form: 'plain', colour: '#9fb4c7' } },
  printed,
})

/** A text, or an answer place to type in, at a place of the page. */
export const words = (text: string, x = 0, y = 0): Printed<'text'> => ({
  id: crypto.randomUUID(),
  kind: 'text',
  text,
  face: 'reading',
  size: 10,
  bold: false,
  colour: '#1e2b3a',
  align: 'left',
  list: 'none',
  x,
  y,
  width: 100,
  height: 20,
})

export const typedBox = (label: string, x = 0, y = 0): Printed<'typed'> => ({
  id: crypto.randomUUID(),
  kind: 'typed',
  label,
  takes: 'line',
  size: 12,
  x,
  y,
  width: 80,
  height: 20,
})

export const dropPlace = (label: string): Printed<'drop'> => ({
  id: crypto.randomUUID(),
  kind: 'drop',
  label,
  x: 200,
  y: 200,
  width: 100,
  height: 60,
})

export const sheetOf = (...pages: WorksheetPage[]) => bareSheet(pages)

/** No test expects its sheet to be too full. */
export const refuse = (sentence: string): never => {
  throw new Error(sentence)
}
