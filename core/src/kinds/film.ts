import { z } from 'zod'
import { boxPath, type Drawn, ellipsePath, linePath } from '../draw/drawn.ts'
import type { Box } from '../worksheet/box.ts'
import { fileId } from '../worksheet/paper.ts'
import { pictureRecipe, WHOLE } from '../worksheet/recipe.ts'
import { captions } from './captions.ts'
import { alt, INK } from './lettering.ts'
import { laidBox, lying, madeId, notLaid } from './lying.ts'
import type { PrintedKind } from './printedKind.ts'
import { spokenSeconds } from './spokenSeconds.ts'
import { thingKind } from './thingKind.ts'

/** `still` is a picture of it, which is seen until it plays and on paper; left out: none could be taken. */
const schema = z.object({
  ...lying,
  kind: z.literal('film'),
  file: fileId,
  still: fileId.optional(),
  seconds: spokenSeconds,
  /** What it is about, or what is said in it. */
  alt,
  captions: captions.optional(),
})
export type Film = z.infer<typeof schema>

export const film: PrintedKind<Film> = {
  schema,
  reshapes: 'in shape',
  blank: (lies) => ({ ...lies, kind: 'film', file: '0'.repeat(64), seconds: 0, alt: '' }),
  drawn: drawnFilm,
  words: (item) => item.alt,
  files: ({ still }) => (still === undefined ? [] : [still]),
  films: (item) => [item.file],
  sent: (item, nameOf) => ({
    ...item,
    file: nameOf({ kind: 'film', file: item.file }),
    ...(item.still === undefined ? {} : { still: nameOf(pictureRecipe(item.still, WHOLE)) }),
  }),
}

/** A film that somebody put on a copy; its `file` and `still` are the names of attachments. */
export const laidFilm = thingKind(
  film,
  schema.omit({ ...notLaid, captions: true }).extend({ ...laidBox, file: madeId, still: madeId.optional() }),
  {
    pictures: ({ still }) => (still === undefined ? [] : [still]),
    sounds: (item) => [item.file],
  },
)

/** The sign that one can play it takes this part of a film's shorter side, and is never larger than this, in points. */
const SIGN = { part: 0.42, most: 44 }

function drawnFilm({ still, x, y, width, height }: Box & Pick<Film, 'still'>): Drawn[] {
  const box = { x, y, width, height }
  return [
    still === undefined
      ? { kind: 'path', d: boxPath(box), fill: INK }
      : { kind: 'picture', file: still, crop: WHOLE, box },
    { kind: 'path', d: boxPath(box), stroke: INK, width: 0.8 },
    ...playSign(filmSign(box)),
  ]
}

/** Where the sign stands that a film can be played. */
export function filmSign({ x, y, width, height }: Box): Box {
  const side = Math.min(SIGN.most, Math.min(width, height) * SIGN.part)
  return { x: x + (width - side) / 2, y: y + (height - side) / 2, width: side, height: side }
}

/** A sheet of paper, round, with a triangle that leads on. */
function playSign(box: Box): Drawn[] {
  const { x, y, width: side } = box
  const at = (across: number, down: number) => ({ x: x + side * across, y: y + side * down })
  return [
    { kind: 'path', d: ellipsePath(box), fill: '#f7f5ef', stroke: INK, width: 0.8 },
    { kind: 'path', d: linePath([at(0.4, 0.29), at(0.74, 0.5), at(0.4, 0.71)], true), fill: INK },
  ]
}
