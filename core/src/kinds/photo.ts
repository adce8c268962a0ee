import { z } from 'zod'
import type { Measure } from '../draw/drawn.ts'
import { type Box, boundsOfBox } from '../worksheet/box.ts'
import { WHOLE } from '../worksheet/recipe.ts'
import type { ItemKind } from './itemKind.ts'
import { label } from './lettering.ts'
import { lying, madeId, place } from './lying.ts'
import { labelHeight, placeFrame, placeLabel } from './place.ts'
import type { PrintedKind } from './printedKind.ts'

const schema = z.object({ ...lying, kind: z.literal('photo'), label })
export type Photo = z.infer<typeof schema>

const asks = (label: string) => label || 'A photo goes here'

/** A place for a photo. */
export const photo: PrintedKind<Photo> = {
  schema,
  isAnswerPlace: true,
  reshapes: 'freely',
  blank: (lies) => ({ ...lies, kind: 'photo', label: '' }),
  drawn: (item, measure) => [placeFrame(item), ...placeLabel(asks(item.label), item, measure)],
}

/** A photo at a photo place, filling `width` by `height` points. `recording` names its attachment, as logs say it. */
const photoAnswer = z.strictObject({
  id: madeId,
  kind: z.literal('photo'),
  place: madeId,
  recording: madeId,
  x: place,
  y: place,
  width: z.number().min(1).max(20_000),
  height: z.number().min(1).max(20_000),
})
export type PhotoAnswer = z.infer<typeof photoAnswer>

export const laidPhoto: ItemKind<PhotoAnswer> = {
  schema: photoAnswer,
  bounds: boundsOfBox,
  drawn: ({ recording, x, y, width, height }) => [
    { kind: 'picture', file: recording, crop: WHOLE, box: { x, y, width, height } },
  ],
  changed: (item, { x = item.x, y = item.y }) => ({ ...item, x, y }),
  asChange: ({ x, y }) => ({ x, y }),
  level: 'given',
  pictures: ({ recording }) => [recording],
  names: ({ place }) => ({ printed: place, kind: 'photo' }),
  touches: (item, { id }) => item.place === id,
}

/** Where a photo of a shape (width by height) lies in its place: as large as fits under the label. */
export function photoBox(place: Photo, shape: number, measure: Measure): Box {
  const top = labelHeight(asks(place.label), place.width, measure)
  const area = {
    x: place.x + 3,
    y: place.y + top + 2,
    width: place.width - 6,
    height: Math.max(1, place.height - top - 5),
  }
  const width = Math.max(1, Math.min(area.width, area.height * shape))
  const height = Math.max(1, width / shape)
  return { x: area.x + (area.width - width) / 2, y: area.y + (area.height - height) / 2, width, height }
}
