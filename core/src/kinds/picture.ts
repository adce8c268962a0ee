import { z } from 'zod'
import { fileId } from '../worksheet/paper.ts'
import { pictureRecipe, WHOLE } from '../worksheet/recipe.ts'
import { alt } from './lettering.ts'
import { laidBox, lyingTurned, madeId, notLaid } from './lying.ts'
import type { PrintedKind } from './printedKind.ts'
import { thingKind } from './thingKind.ts'

/** `crop` is the part shown, as parts of the whole from 0 to 1. */
const schema = z.object({
  ...lyingTurned,
  kind: z.literal('picture'),
  file: fileId,
  alt,
  crop: z.object({
    x: z.number().min(0).max(1),
    y: z.number().min(0).max(1),
    width: z.number().min(0.001).max(1),
    height: z.number().min(0.001).max(1),
  }),
})
export type Picture = z.infer<typeof schema>

export const picture: PrintedKind<Picture> = {
  schema,
  turns: true,
  reshapes: 'in shape',
  blank: (lies) => ({ ...lies, kind: 'picture', file: '0'.repeat(64), alt: '', crop: WHOLE }),
  drawn: ({ file, crop, ...box }) => [{ kind: 'picture', file, crop, box }],
  words: (item) => item.alt,
  files: (item) => [item.file],
  sent: (item, nameOf) => ({ ...item, file: nameOf(pictureRecipe(item.file, item.crop)), crop: WHOLE }),
}

/**
 * The other picture of the same paper, which lies behind: its attachment, how many times as wide as high it is, and
 * whether it is the straightened one or the photo as it was taken.
 */
const behind = z.object({
  file: madeId,
  proportion: z.number().min(0.001).max(1000),
  straight: z.boolean(),
})

/** A picture that somebody put on a copy; its `file` is the name of its attachment. */
export const laidPicture = thingKind(
  picture,
  schema.omit(notLaid).extend({
    ...laidBox,
    file: madeId,
    behind: behind.optional(),
  }),
  {
    pictures: (item) => [item.file],
    keeps: ({ behind }) => (behind === undefined ? [] : [behind.file]),
  },
)

type LaidPicture = z.infer<typeof laidPicture.schema>

/** The same with the picture that lies behind it in front, as wide and with its upper left corner where it was; where none does, itself. */
export function turnedOver(picture: LaidPicture): LaidPicture {
  const { behind, file, width, height, crop } = picture
  if (!behind) return picture
  const proportion = (width / crop.width / Math.max(1, height)) * crop.height
  return {
    ...picture,
    file: behind.file,
    height: width / behind.proportion,
    crop: WHOLE,
    behind: { file, proportion: Math.min(1000, Math.max(0.001, proportion)), straight: !behind.straight },
  }
}
