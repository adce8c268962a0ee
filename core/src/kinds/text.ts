import { z } from 'zod'
import { drawnText, textHeight } from '../draw/text.ts'
import { face, INK, letterSize, words } from './lettering.ts'
import { colour, laidBox, laidSize, lyingTurned, notLaid } from './lying.ts'
import { LEAST, type PrintedKind } from './printedKind.ts'
import { thingKind } from './thingKind.ts'

const schema = z.object({
  ...lyingTurned,
  kind: z.literal('text'),
  text: words,
  face,
  size: letterSize,
  bold: z.boolean(),
  colour,
  align: z.enum(['left', 'centre', 'right']),
  list: z.enum(['none', 'dots', 'numbers']),
})
export type Text = z.infer<typeof schema>

/** Words, in paragraphs or as a list. */
export const text: PrintedKind<Text> = {
  schema,
  turns: true,
  reshapes: 'as words',
  blank: (lies) => ({
    ...lies,
    kind: 'text',
    text: '',
    face: 'reading',
    size: 14,
    bold: false,
    colour: INK,
    align: 'left',
    list: 'none',
  }),
  drawn: (item, measure) => drawnText(item.text, item, item, measure).drawn,
  fitted: (item, measure) => {
    const width = Math.max(item.width, LEAST)
    const indent = item.list === 'none' ? 0 : item.size * 1.5
    return { ...item, width, height: textHeight(item.text, width - indent, item, measure) }
  },
  grown: ({ size }, letters) => ({ size: letters(size) }),
  words: (item) => item.text,
  isEmpty: (item) => item.text.trim() === '',
}

/** Words that somebody put on a copy. */
export const laidText = thingKind(text, schema.omit(notLaid).extend({ ...laidBox, size: laidSize }))
