import type { Point } from '../ink/points.ts'
import { type Aligned, alignSheet } from '../photo/alignSheet.ts'
import { type Corners, homography, homographyThrough, mapped } from '../photo/homography.ts'
import { cornersOf, type Grey, greyOf, type Pixels } from '../photo/pixels.ts'
import { middle } from '../worksheet/box.ts'
import { codeBox } from './drawnCode.ts'
import { type SeenSheet, turnsOf } from './seeSheet.ts'

/** Where the page lies that a sheet was printed of. */
export interface PlacedSheet {
  /** The page's corners in the photo, in its pixels. */
  readonly corners: Corners
  /** What is printed lies there, or its edges and its code agree; else a person has to look. */
  readonly agrees: boolean
}

/** A photo is looked at in so many pixels at its longer side. */
const SIDE = 2000
/** In fewer places than this what is printed says nothing. */
const COMPARED = 8
/** Where it can be looked for, this part of what is printed is found where it should be. */
const AGREES = 0.5
/** … and these places lie over this part of the page, across and down. */
const SPANS = 0.4

/**
 * Where a page lies in the photo of its sheet, by what is printed on it. `printed`: the page as it was printed, with
 * its code; `page`: its size, in points. It is begun with the sheet's edges, and with its code alone where these say
 * too little; without a code every way up is tried.
 */
export function placeSheet(
  photo: Pixels,
  { corners, found, code }: SeenSheet,
  printed: Grey,
  page: { readonly width: number; readonly height: number },
): PlacedSheet {
  const grey = greyOf(photo, SIDE)
  const [sx, sy] = [photo.width / grey.width, photo.height / grey.height]
  const small = (of: Corners) => of.map(({ x, y }) => ({ x: x / sx, y: y / sy })) as unknown as Corners
  const scale = printed.width / page.width
  const box = codeBox(page)
  const anchor = { x: middle(box).x * scale, y: middle(box).y * scale }
  const large = (of: Corners) => of.map(({ x, y }) => ({ x: x * sx, y: y * sy })) as unknown as Corners
  const aligned = (guess: Corners, near: Point, edges: boolean) =>
    alignSheet(grey, printed, small(guess), near, edges)
  if (!code) {
    // Which way up it lies says only what is printed.
    const centre = { x: printed.width / 2, y: printed.height / 2 }
    const held = turnsOf(corners)
      .map((guess) => aligned(guess, centre, found))
      .filter(holds)
    const best = held.reduce<Aligned | undefined>((a, b) => (a && a.agrees >= b.agrees ? a : b), undefined)
    return best ? { corners: large(best.corners), agrees: true } : { corners, agrees: false }
  }
  const byEdges = aligned(corners, anchor, found)
  if (holds(byEdges)) return { corners: large(byEdges.corners), agrees: true }
  const byCode = aligned(cornersByCode(code.at, page), anchor, false)
  if (holds(byCode)) return { corners: large(byCode.corners), agrees: true }
  // Little is printed, or little of it is seen: the edges say where it lies, if they agree with the code.
  const agrees = found && byEdges.agrees >= AGREES && isThere(corners, code.at, page)
  return { corners: agrees ? large(byEdges.corners) : corners, agrees }
}

/** Whether what is printed was found in so many places, all over the page, that it lies there and nowhere else. */
const holds = ({ compared, agrees, spans }: Aligned) =>
  compared >= COMPARED && agrees >= AGREES && spans >= SPANS

/** So far from where a sheet's edges say its code may lie, in points: a printer shifts and shrinks, an edge is seen a little off. */
const SHIFTED = 30

/** Whether a code lies where it is printed on a sheet with these corners. */
function isThere(
  corners: Corners,
  code: Corners,
  page: { readonly width: number; readonly height: number },
): boolean {
  const back = homography(corners, cornersOf(page))
  const { x, y } = middle(codeBox(page))
  const centre = { x: (code[0].x + code[2].x) / 2, y: (code[0].y + code[2].y) / 2 }
  const seen = back && mapped(back, centre)
  return seen !== undefined && Math.hypot(seen.x - x, seen.y - y) <= SHIFTED
}

/** Where a page's corners lie if it is seen straight on and its code lies there. */
export function cornersByCode(
  code: Corners,
  page: { readonly width: number; readonly height: number },
): Corners {
  const { x, y, width, height } = codeBox(page)
  const printed = [
    { x, y },
    { x: x + width, y },
    { x: x + width, y: y + height },
    { x, y: y + height },
  ]
  const map = homographyThrough(
    printed.map((from, index) => ({ from, to: code[index]!, weight: 1 })),
    true,
  )
  return cornersOf(page).map((corner) => (map ? mapped(map, corner) : corner)) as unknown as Corners
}
