import { z } from 'zod'
import { colour } from '../ink/stroke.ts'
import { plainText } from '../words/plainText.ts'

const millimetres = z.number().min(1).max(100)
/** A number that a teacher may write on an axis. */
const onAxis = z.number().min(-1e6).max(1e6)

/** One axis: from, to, how far apart its lines are, and what is written at its end. */
export const axis = z
  .object({ from: onAxis, to: onAxis, step: z.number().positive().max(1e6), label: plainText().max(60) })
  .refine(({ from, to }) => to > from, 'An axis must end after it begins.')
  .refine(({ from, to, step }) => (to - from) / step <= 200, 'That is too many lines on one axis.')
export type Axis = z.infer<typeof axis>

/** What a ruled paper has on it. Lengths in millimetres of the printed page. */
export const ruling = z.discriminatedUnion('form', [
  z.object({ form: z.literal('plain'), colour }),
  z.object({ form: z.literal('ruled'), colour, spacing: millimetres }),
  z.object({ form: z.literal('handwriting'), colour, height: z.number().min(2).max(30) }),
  z.object({ form: z.literal('squared'), colour, side: millimetres }),
  z.object({ form: z.literal('dotted'), colour, side: millimetres }),
  z.object({ form: z.literal('axes'), colour, across: axis, up: axis }),
  z.object({ form: z.literal('staves'), colour, gap: z.number().min(1).max(6) }),
  z.object({
    form: z.literal('number line'),
    colour,
    from: onAxis,
    to: onAxis,
    parts: z.number().int().min(1).max(200),
    lines: z.number().int().min(1).max(12),
  }),
  z.object({ form: z.literal('clock faces'), colour, count: z.number().int().min(1).max(24) }),
  z.object({
    form: z.literal('fractions'),
    colour,
    shape: z.enum(['circle', 'bar']),
    parts: z.number().int().min(1).max(100),
    count: z.number().int().min(1).max(24),
  }),
  z.object({ form: z.literal('overlap'), colour, circles: z.union([z.literal(2), z.literal(3)]) }),
  z.object({ form: z.literal('columns'), colour, count: z.number().int().min(2).max(8) }),
  z.object({
    form: z.literal('timeline'),
    colour,
    from: onAxis,
    to: onAxis,
    parts: z.number().int().min(1).max(60),
  }),
])
export type Ruling = z.infer<typeof ruling>
export type RulingForm = Ruling['form']

/** The page sizes that schools print and show, upright, in millimetres. */
export const PAGE_SIZES = {
  A4: { width: 210, height: 297 },
  Letter: { width: 215.9, height: 279.4 },
  A5: { width: 148, height: 210 },
  A3: { width: 297, height: 420 },
  Square: { width: 210, height: 210 },
  'Screen 16 : 9': { width: 320, height: 180 },
} as const
