import { z } from 'zod'
import { boxPath, type Drawn, type Measure } from '../draw/drawn.ts'
import { centredText } from '../draw/text.ts'
import * as similarity from '../ink/similarity.ts'
import { plainText } from '../words/plainText.ts'
import { type Box, middle, mm } from '../worksheet/box.ts'
import { fileId } from '../worksheet/paper.ts'
import { pictureRecipe, WHOLE } from '../worksheet/recipe.ts'
import { drawnFormula, formulaDrawing, latex } from './formula.ts'
import type { ItemKind } from './itemKind.ts'
import { alt, INK, letterSize } from './lettering.ts'
import { colour, lying, madeId, place } from './lying.ts'
import type { PrintedKind } from './printedKind.ts'

/** What a card shows. */
export const cardFace = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('text'), text: plainText().max(500), size: letterSize }),
  z.object({ kind: z.literal('formula'), latex, drawing: formulaDrawing, size: letterSize }),
  z.object({ kind: z.literal('picture'), file: fileId, alt }),
])
export type CardFace = z.infer<typeof cardFace>

const schema = z.object({
  ...lying,
  kind: z.literal('card'),
  face: cardFace,
  tint: colour,
  /** A stack gives a new card at each drag and never runs out. */
  stack: z.boolean(),
})
export type Card = z.infer<typeof schema>

/** A card that is moved, or a stack of it that gives one at each drag. */
export const card: PrintedKind<Card> = {
  schema,
  reshapes: 'freely',
  blank: (lies) => ({
    ...lies,
    kind: 'card',
    face: { kind: 'text', text: 'Card', size: 14 },
    tint: '#f7f5ef',
    stack: false,
  }),
  drawn: drawnCard,
  isLoose: ({ stack }) => !stack,
  grown: ({ face }, letters) => ('size' in face ? { face: { ...face, size: letters(face.size) } } : {}),
  files: ({ face }) => (face.kind === 'picture' ? [face.file] : []),
  sent: (item, nameOf) =>
    item.face.kind === 'picture'
      ? { ...item, face: { ...item.face, file: nameOf(pictureRecipe(item.face.file, WHOLE)) } }
      : item,
}

/** Where a printed card lies now (its upper left corner), or one more card taken from a stack. */
const movedCard = z.strictObject({ id: madeId, kind: z.literal('card'), card: madeId, x: place, y: place })
export type MovedCard = z.infer<typeof movedCard>

export const laidCard: ItemKind<MovedCard> = {
  schema: movedCard,
  isShared: true,
  moved: (item, by) => {
    const there = similarity.apply(item, by)
    return similarity.isPlace(there) ? { ...item, ...there } : item
  },
  changed: (item, { x = item.x, y = item.y }) => ({ ...item, x, y }),
  asChange: ({ x, y }) => ({ x, y }),
  names: ({ card }) => ({ printed: card, kind: 'card' }),
}

/** How far the sheets under a stack peep out, in points. */
const PEEP = 2.4

/** A card, or a stack of it, lying at its printed place. */
export function drawnCard(item: Card, measure: Measure): Drawn[] {
  const under = item.stack
    ? [2, 1].map(
        (step): Drawn => ({
          kind: 'path',
          d: boxPath({ ...item, x: item.x + PEEP * step, y: item.y + PEEP * step }, 3),
          fill: item.tint,
          stroke: '#55606b',
          width: 0.7,
        }),
      )
    : []
  return [
    ...under,
    { kind: 'path', d: boxPath(item, 3), fill: item.tint, stroke: '#55606b', width: 0.9 },
    ...drawnFace(item.face, item, measure),
  ]
}

function drawnFace(face: CardFace, box: Box, measure: Measure): Drawn[] {
  const inset = Math.min(mm(1.2), box.width / 6, box.height / 6)
  const inner = {
    x: box.x + inset,
    y: box.y + inset,
    width: box.width - 2 * inset,
    height: box.height - 2 * inset,
  }
  switch (face.kind) {
    case 'text':
      return centredText(
        face.text,
        inner,
        { face: 'reading', size: face.size, bold: false, colour: INK },
        measure,
      )
    case 'picture':
      return [{ kind: 'picture', file: face.file, crop: WHOLE, box: inner }]
    case 'formula': {
      const { drawing, size } = face
      const tall = (drawing.ascent + drawing.descent) * size
      const fit = Math.min(1, inner.width / (drawing.width * size || 1), inner.height / (tall || 1))
      const width = drawing.width * size * fit
      const height = tall * fit
      return drawnFormula(
        drawing,
        { x: middle(inner).x - width / 2, y: middle(inner).y - height / 2, width, height },
        INK,
      )
    }
  }
}
