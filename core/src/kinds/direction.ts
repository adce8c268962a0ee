import { z } from 'zod'
import { boxPath } from '../draw/drawn.ts'
import { drawnText, textHeight } from '../draw/text.ts'
import type { Box } from '../worksheet/box.ts'
import { INK, letterSize, words } from './lettering.ts'
import { laidBox, laidSize, lyingTurned, notLaid } from './lying.ts'
import { LEAST, type PrintedKind } from './printedKind.ts'
import { thingKind } from './thingKind.ts'

const schema = z.object({
  ...lyingTurned,
  kind: z.literal('direction'),
  text: words,
  size: letterSize,
  tone: z.enum(['slate', 'verdigris', 'ochre', 'madder', 'ink']),
})
export type Direction = z.infer<typeof schema>

export type Tone = Direction['tone']
/** The tones of directions and notes: their edge and their ground. */
export const TONES: Record<Tone, readonly [edge: string, ground: string]> = {
  slate: ['#46618c', '#e9eef6'],
  verdigris: ['#1b6e68', '#e4f0ee'],
  ochre: ['#8f5e0a', '#f6ead0'],
  madder: ['#a83a2e', '#f6e4df'],
  ink: ['#1e2b3a', '#eceae3'],
}

/** How far a direction's words stand from its rim, in points. */
const INSET = 8

/** The coloured edge at a direction's left, in points. */
export const DIRECTION_EDGE = 3.5

/** The part of a direction that its words go into. */
export function directionWords(item: Box): Box {
  return {
    x: item.x + INSET + 3,
    y: item.y + INSET * 0.6,
    width: Math.max(LEAST, item.width - 2 * INSET - 3),
    height: item.height,
  }
}

/** What to do, on a ground of its own. */
export const direction: PrintedKind<Direction> = {
  schema,
  turns: true,
  reshapes: 'as words',
  blank: (lies) => ({ ...lies, kind: 'direction', text: '', size: 13, tone: 'slate' }),
  drawn: (item, measure) => {
    const [dark, light] = TONES[item.tone]
    const style = { face: 'reading', size: item.size, bold: false, colour: INK } as const
    return [
      { kind: 'path', d: boxPath(item), fill: light },
      { kind: 'path', d: boxPath({ ...item, width: DIRECTION_EDGE }), fill: dark },
      ...drawnText(item.text, directionWords(item), style, measure).drawn,
    ]
  },
  fitted: (item, measure) => {
    const width = Math.max(item.width, LEAST)
    const style = { face: 'reading', size: item.size, bold: false, colour: '' } as const
    const inner = directionWords({ ...item, width }).width
    return { ...item, width, height: textHeight(item.text, inner, style, measure) + INSET * 1.2 }
  },
  grown: ({ size }, letters) => ({ size: letters(size) }),
  words: (item) => item.text,
  isEmpty: (item) => item.text.trim() === '',
}

/** A note that somebody put on a copy. */
export const laidDirection = thingKind(direction, schema.omit(notLaid).extend({ ...laidBox, size: laidSize }))
