import { evenLight } from '../photo/evenLight.ts'
import { findSheet } from '../photo/findSheet.ts'
import type { Corners } from '../photo/homography.ts'
import { cornersOf, type Pixels } from '../photo/pixels.ts'
import { sheetSize, straighten } from '../photo/straighten.ts'
import { codeInPhoto, type FoundCode, findCode, findCodeAnywhere } from './findCode.ts'

/** What is seen of a sheet in a photo. */
export interface SeenSheet {
  /** Its corners, upright as its code says: upper left, upper right, lower right, lower left, in pixels. */
  readonly corners: Corners
  /** Whether they are those of a sheet; else they are the photo's own. */
  readonly found: boolean
  /** Whose page it is, and where in the photo that is written. */
  readonly code: FoundCode | undefined
}

/** The longest side of a sheet on which a code is looked for, in pixels: A4 at 200 dots an inch. */
const LARGE = 2339

/** Looks for a sheet of paper in a photo, and for the code of a page on it; where no sheet is found, anywhere. */
export function seeSheet(photo: Pixels): SeenSheet {
  const sheet = findSheet(photo)
  const corners = sheet ?? cornersOf(photo)
  const code = codeOn(photo, corners) ?? findCodeAnywhere(photo)
  return {
    corners: code ? uprightBy(corners, code.at) : corners,
    found: sheet !== undefined,
    code,
  }
}

function codeOn(photo: Pixels, corners: Corners): FoundCode | undefined {
  const flat = straightSheet(photo, corners, LARGE)
  const found = flat && findCode(flat)
  return found && codeInPhoto(found, flat, corners)
}

/** The sheet between corners of a photo, straight and in even light, its longer side `most` pixels at most. */
export function straightSheet(photo: Pixels, corners: Corners, most: number): Pixels | undefined {
  const { width, height } = sheetSize(corners, most, photo)
  const straight = straighten(photo, corners, width, height)
  if (straight) evenLight(straight)
  return straight
}

/** The corners of a sheet in each order in which it may stand upright. */
export const turnsOf = (corners: Corners): Corners[] =>
  [0, 1, 2, 3].map(
    (turns) => [0, 1, 2, 3].map((index) => corners[(index + turns) % 4]!) as unknown as Corners,
  )

/** The corners of a sheet in the order in which its code stands upright. */
function uprightBy(corners: Corners, code: Corners): Corners {
  const up = (of: Corners) => ({ x: of[0].x - of[3].x, y: of[0].y - of[3].y })
  const there = up(code)
  const along = (of: Corners) => {
    const { x, y } = up(of)
    return (x * there.x + y * there.y) / Math.max(1e-9, Math.hypot(x, y))
  }
  return turnsOf(corners).reduce((best, each) => (along(each) > along(best) ? each : best))
}
