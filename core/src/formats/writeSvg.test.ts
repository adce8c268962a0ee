import { expect, test } from '@jest/globals'
import { XMLValidator } from 'fast-xml-parser'
import type { Drawn } from '../draw/drawn.ts'
import { NOBODYS } from '../draw/scene.ts'
import { toBase64 } from '../ink/base64.ts'
import { packPoints } from '../ink/pack.ts'
import { writeSvg } from './writeSvg.ts'

const box = { x: 10, y: 20, width: 100, height: 50 }
const stroke = {
  ...{ id: NOBODYS, kind: 'stroke' as const, nib: 'highlighter' as const, colour: '#ffff00', width: 8 },
  points: toBase64(packPoints([0, 40, 80].map((x) => ({ x, y: 30, pressure: 0.5, time: x })))),
} as const
const drawn: Drawn[] = [
  { kind: 'path', d: 'M0 0L10 10', stroke: '#112233', width: 2, dash: [4, 3] },
  { kind: 'path', d: 'M0 0L10 0L10 10Z', fill: '#2e7d46', shines: true },
  { kind: 'text', text: 'a < b & "c"', x: 5, y: 6, colour: '#000000', face: 'reading', size: 14, bold: true },
  { kind: 'picture', file: 'shell', crop: { x: 0.25, y: 0, width: 0.5, height: 1 }, box },
  { kind: 'picture', file: 'not here', crop: { x: 0, y: 0, width: 1, height: 1 }, box },
  { kind: 'laid', by: { a: 0, b: 1, e: 30, f: 40 }, drawn: [{ kind: 'stroke', stroke }] },
]

test('everything that is drawn on a page stands in one well-formed file', () => {
  const svg = writeSvg(
    drawn,
    { width: 200, height: 100 },
    {
      picture: (file) => (file === 'shell' ? 'data:image/png;base64,AA==' : undefined),
      piece: () => undefined,
    },
  )
  expect(XMLValidator.validate(svg)).toBe(true)
  expect(svg).toContain('viewBox="0 0 200 100"')
  expect(svg).toContain('a &lt; b &amp; &quot;c&quot;')
  expect(svg).toContain('stroke-dasharray="4 3"')
  // Ink that shines through, and what was filled, are multiplied with what is under them.
  expect(svg.match(/mix-blend-mode:multiply/g)).toHaveLength(2)
  // The middle half of a picture fills its box; what is not here leaves it empty.
  expect(svg.match(/<image /g)).toHaveLength(1)
  expect(svg).toContain('x="-50" y="0" width="200" height="50"')
  expect(svg).toContain('matrix(0 1 -1 0 30 40)')
})
