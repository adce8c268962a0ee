import { z } from 'zod'
import { colour, madeId, stroke } from '../ink/stroke.ts'
import { plainText } from '../words/plainText.ts'
import { box } from './box.ts'
import { fileId, paper } from './paper.ts'
import { axis } from './ruling.ts'

/** The longest text of one printed item, in letters. */
export const MOST_LETTERS = 20_000
const words = plainText().max(MOST_LETTERS, `A text may have at most ${MOST_LETTERS} letters.`)
const label = plainText().max(300)

/** Faces: `reading` is made for people learning to read, `plain` the interface's, `book` a serif. */
export const face = z.enum(['reading', 'plain', 'book'])
export type Face = z.infer<typeof face>
/** The height of letters in points. */
export const letterSize = z.number().min(4).max(300)

/** A formula: how it was written, and its outline (one path in units of 1/1000 em, y down from its baseline) with its size in em. */
export const formulaDrawing = z.object({
  path: z
    .string()
    .max(200_000)
    .regex(/^[MLQCZ0-9 .,-]*$/),
  width: z.number().min(0).max(1000),
  ascent: z.number().min(-100).max(1000),
  descent: z.number().min(-100).max(1000),
})
export type FormulaDrawing = z.infer<typeof formulaDrawing>
const latex = plainText().max(2000, 'That formula is too long.')

const lying = {
  id: madeId,
  ...box.shape,
  /** It stays put in preparation until it is unlocked. On a copy everything printed stays put. */
  locked: z.boolean().optional(),
  /** The sets of students that it is for; left out: everyone. */
  sets: z.array(madeId).max(30).optional(),
}

/** What a card shows. */
export const cardFace = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('text'), text: plainText().max(500), size: letterSize }),
  z.object({ kind: z.literal('formula'), latex, drawing: formulaDrawing, size: letterSize }),
  z.object({ kind: z.literal('picture'), file: fileId, alt: plainText().max(500) }),
])
export type CardFace = z.infer<typeof cardFace>

/** A number that a curve may use by name. `open`: students slide it on their copy. */
export const parameter = z
  .object({
    name: z.string().regex(/^[a-df-wz]$/, 'A parameter is one small letter, not e, x or y.'),
    value: z.number().min(-1e6).max(1e6),
    from: z.number().min(-1e6).max(1e6),
    to: z.number().min(-1e6).max(1e6),
    open: z.boolean(),
  })
  .refine(({ from, to }) => to > from, 'A parameter ends after it begins.')
export type Parameter = z.infer<typeof parameter>

export const printedText = z.object({
  ...lying,
  kind: z.literal('text'),
  text: words,
  face,
  size: letterSize,
  bold: z.boolean(),
  colour,
  align: z.enum(['left', 'centre', 'right']),
  list: z.enum(['none', 'dots', 'numbers']),
})
export const printedFormula = z.object({
  ...lying,
  kind: z.literal('formula'),
  latex,
  drawing: formulaDrawing,
  colour,
})
/** `crop` is the part shown, as parts of the whole from 0 to 1. */
export const printedPicture = z.object({
  ...lying,
  kind: z.literal('picture'),
  file: fileId,
  alt: plainText().max(500),
  crop: z.object({
    x: z.number().min(0).max(1),
    y: z.number().min(0).max(1),
    width: z.number().min(0.001).max(1),
    height: z.number().min(0.001).max(1),
  }),
})
/** Part of another page: `part` (points) of its paper, whose whole size as seen is `whole`. */
const piece = z.object({
  ...lying,
  kind: z.literal('piece'),
  paper,
  whole: z.object({ width: z.number().positive(), height: z.number().positive() }),
  part: box,
  alt: plainText().max(500),
})
export const printedShape = z.object({
  ...lying,
  kind: z.literal('shape'),
  form: z.enum(['rectangle', 'ellipse', 'triangle', 'line']),
  colour,
  /** Width of its line, in points. */
  line: z.number().min(0).max(60),
  fill: colour.nullable(),
  dashed: z.boolean(),
  /** A line rises from lower left to upper right instead of falling. */
  rising: z.boolean(),
  /** Which ends of a line have an arrowhead. */
  heads: z.enum(['none', 'start', 'end', 'both']),
})
const plot = z.object({
  ...lying,
  kind: z.literal('plot'),
  across: axis,
  up: axis,
  grid: z.boolean(),
  curves: z.array(z.object({ formula: plainText().max(300), colour })).max(12),
  parameters: z.array(parameter).max(8),
})
export const printedDirection = z.object({
  ...lying,
  kind: z.literal('direction'),
  text: words,
  size: letterSize,
  tone: z.enum(['slate', 'verdigris', 'ochre', 'madder', 'ink']),
})
/** The teacher's own stroke; `inner` is where it lies in the space of its points. */
const ink = z.object({ ...lying, kind: z.literal('ink'), stroke, inner: box })
const link = z.object({
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
const typed = z.object({
  ...lying,
  kind: z.literal('typed'),
  label,
  takes: z.enum(['line', 'lines', 'number']),
  size: letterSize,
})
const choice = z.object({
  ...lying,
  kind: z.literal('choice'),
  label,
  options: z
    .array(z.object({ id: madeId, text: plainText().max(300) }))
    .min(1)
    .max(30),
  many: z.boolean(),
  across: z.boolean(),
  size: letterSize,
})
const drop = z.object({ ...lying, kind: z.literal('drop'), label })
const speak = z.object({ ...lying, kind: z.literal('speak'), label })
const photo = z.object({ ...lying, kind: z.literal('photo'), label })
const card = z.object({
  ...lying,
  kind: z.literal('card'),
  face: cardFace,
  tint: colour,
  /** A stack gives a new card at each drag and never runs out. */
  stack: z.boolean(),
})

/** Anything that the teacher puts on a page: printed items, answer places, cards and stacks. Points of the page. */
export const printedItem = z.discriminatedUnion('kind', [
  printedText,
  printedFormula,
  printedPicture,
  piece,
  printedShape,
  plot,
  printedDirection,
  ink,
  link,
  typed,
  choice,
  drop,
  speak,
  photo,
  card,
])
export type PrintedItem = z.infer<typeof printedItem>
export type PrintedKind = PrintedItem['kind']
/** The printed items of one kind. */
export type Printed<Kind extends PrintedKind> = Extract<PrintedItem, { kind: Kind }>

/** The answer places among printed items: what takes an answer from a student. */
export const ANSWER_PLACES = ['typed', 'choice', 'drop', 'speak', 'photo'] as const

/** The most items of one page. */
export const MOST_PRINTED = 2000

/** The files that items show: pictures and parts of other papers. */
export function filesOf(items: Iterable<PrintedItem>): string[] {
  const files: string[] = []
  for (const item of items) {
    if (item.kind === 'picture') files.push(item.file)
    else if (item.kind === 'card' && item.face.kind === 'picture') files.push(item.face.file)
    else if (item.kind === 'piece' && item.paper.kind !== 'ruled') files.push(item.paper.file)
  }
  return files
}
