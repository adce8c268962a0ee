import { z } from 'zod'
import { boxPath, type Drawn, linePath, type Measure, segmentPath } from '../draw/drawn.ts'
import { centredText, drawnText } from '../draw/text.ts'
import { plainText } from '../words/plainText.ts'
import { letterSize, PLACE } from './lettering.ts'
import { lying, madeId } from './lying.ts'
import type { PrintedKind } from './printedKind.ts'

const schema = z.object({
  ...lying,
  kind: z.literal('link'),
  text: plainText().max(300),
  size: letterSize,
  to: z.discriminatedUnion('kind', [
    z.object({
      kind: z.literal('web'),
      url: z
        .string()
        .max(2000)
        .regex(/^https?:\/\/[^\s"<>]+$/i, 'A link begins with http:// or https://.')
        .or(z.literal('')),
    }),
    z.object({ kind: z.literal('page'), page: madeId }),
  ]),
})
export type Link = z.infer<typeof schema>

/** Leads to the web, or to another page. */
export const link: PrintedKind<Link> = {
  schema,
  reshapes: 'freely',
  blank: (lies) => ({ ...lies, kind: 'link', text: 'Look here', size: 13, to: { kind: 'web', url: '' } }),
  drawn: (item, measure) => {
    const style = { face: 'plain', size: item.size, bold: true, colour: PLACE } as const
    if (item.to.kind === 'page')
      return [
        { kind: 'path', d: boxPath(item, 3), fill: '#e4f0ee', stroke: PLACE, width: 0.8 },
        ...centredText(item.text, item, style, measure),
      ]
    const { drawn } = drawnText(item.text, item, style, measure)
    const underlines = drawn.map((one) => {
      if (one.kind !== 'text') return one
      const y = one.y + item.size * 0.16
      const d = segmentPath(one.x, y, one.x + measure(one.text, style), y)
      return { kind: 'path', d, stroke: PLACE, width: item.size * 0.06 } as const
    })
    return [...drawn, ...underlines, ...leavesSign(drawn.at(-1), measure)]
  },
  grown: ({ size }, letters) => ({ size: letters(size) }),
}

/** Behind the last words an arrow that goes up and away, so that everybody knows that this leads elsewhere. */
function leavesSign(last: Drawn | undefined, measure: Measure): Drawn[] {
  if (last?.kind !== 'text') return []
  const { size } = last
  const x = last.x + measure(last.text, last) + size * 0.3
  const tip = { x: x + size * 0.55, y: last.y - size * 0.6 }
  const pen = { stroke: PLACE, width: size * 0.1 } as const
  return [
    { kind: 'path', d: segmentPath(x, last.y - size * 0.05, tip.x, tip.y), ...pen },
    {
      kind: 'path',
      d: linePath([{ x: tip.x - size * 0.38, y: tip.y }, tip, { x: tip.x, y: tip.y + size * 0.38 }]),
      ...pen,
    },
  ]
}
