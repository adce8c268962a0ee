import { expect, test } from '@jest/globals'
import { mm } from '../worksheet/box.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import { drawnRuling } from './rulings.ts'
import { writingLines } from './writingLines.ts'

const size = { width: mm(210), height: mm(297) }
const pageOn = (ruling: Extract<WorksheetPage['paper'], { kind: 'ruled' }>['ruling']): WorksheetPage => ({
  id: '00000000-0000-4000-8000-000000000001',
  ...size,
  paper: { kind: 'ruled', ruling },
  printed: [],
})
/** The heights at which a path has level lines. */
const levels = (d: string) =>
  [...d.matchAll(/M([-\d.]+)[ ,]([-\d.]+)L([-\d.]+)[ ,]([-\d.]+)/g)].map((found) => Number(found[2]))

test('the lines of a ruled paper are those that are drawn', () => {
  const page = pageOn({ form: 'ruled', colour: '#9fb4c7', spacing: 8 })
  const [drawn] = drawnRuling({ form: 'ruled', colour: '#9fb4c7', spacing: 8 }, size, () => 0)
  const ys = levels((drawn as { d: string }).d)
  expect(ys.length).toBeGreaterThan(20)
  const lines = writingLines(page).map(({ y }) => y)
  expect(lines).toHaveLength(ys.length)
  for (const [index, y] of lines.entries()) expect(y).toBeCloseTo(ys[index]!, 1)
})

test('of handwriting paper they are those that letters stand on', () => {
  const ruling = { form: 'handwriting', colour: '#9fb4c7', height: 6 } as const
  const base = drawnRuling(ruling, size, () => 0).at(-1) as { d: string }
  const ys = levels(base.d)
  const lines = writingLines(pageOn(ruling)).slice(0, ys.length)
  for (const [index, { y }] of lines.entries()) expect(y).toBeCloseTo(ys[index]!, 1)
})

test('a level line that a teacher drew is one; a short or a falling one, or squares, are none', () => {
  const line = {
    id: '00000000-0000-4000-8000-000000000002',
    kind: 'shape' as const,
    form: 'line' as const,
    ...{ colour: '#1e2b3a', line: 1, fill: null, dashed: false, rising: false, heads: 'none' as const },
    ...{ x: 50, y: 300, width: 300, height: 0 },
  }
  const page = pageOn({ form: 'plain', colour: '#9fb4c7' })
  expect(writingLines({ ...page, printed: [line] })).toMatchObject([{ x: 50, y: 300, width: 300 }])
  expect(
    writingLines({
      ...page,
      printed: [
        { ...line, width: 40 },
        { ...line, height: 100 },
      ],
    }),
  ).toEqual([])
  expect(writingLines(pageOn({ form: 'squared', colour: '#9fb4c7', side: 5 }))).toEqual([])
})
