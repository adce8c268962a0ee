import type { Printed } from '../kinds/printed.ts'
import { keptWhereSeen, type Turned } from '../kinds/turned.ts'

export type PictureSide = 'left' | 'right' | 'top' | 'bottom'

/** A picture, printed or laid on a copy. */
type Cuttable = Turned & Pick<Printed<'picture'>, 'crop'>

/** The least of a picture that is left across and down, as a part of the whole. */
const LEAST = 0.02

/** How much of a picture is cut off at each side, as parts of the whole from 0 to 1. */
export function cutsOf({ crop }: Pick<Cuttable, 'crop'>): Record<PictureSide, number> {
  return {
    left: crop.x,
    right: 1 - crop.x - crop.width,
    top: crop.y,
    bottom: 1 - crop.y - crop.height,
  }
}

/**
 * A picture with a part of it, from 0 to 1, cut off at one side. What is left keeps its scale and its
 * place on the page; a picture of which next to nothing would be left stays as it is.
 */
export function cutOff<Picture extends Cuttable>(picture: Picture, side: PictureSide, part: number): Picture {
  const cuts = cutsOf(picture)
  cuts[side] = part
  const { left, right, top, bottom } = cuts
  const crop = { x: left, y: top, width: 1 - left - right, height: 1 - top - bottom }
  if (crop.width < LEAST || crop.height < LEAST) return picture
  const across = picture.width / picture.crop.width
  const down = picture.height / picture.crop.height
  return keptWhereSeen(picture, {
    ...picture,
    crop,
    x: picture.x + (crop.x - picture.crop.x) * across,
    y: picture.y + (crop.y - picture.crop.y) * down,
    width: crop.width * across,
    height: crop.height * down,
  })
}
