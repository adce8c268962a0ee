import { boundsOfItem } from '../holding/pick.ts'
import type { Item } from '../kinds/items.ts'
import { around, type Box, boxOfBounds, holds, middle, shared, sharedArea } from '../worksheet/box.ts'

/** The most that ink which reaches over the edge of an area makes of its cut larger, on each side, in points. */
const MOST_OVER = 54
/** Room around what reaches over, in points. */
const RIM = 3

/** Ink no farther than this behind other ink, on the same line, goes on from there, in points: a wide space. */
const GOES_ON = 14

/**
 * What is cut out of a page to see the answer in an area: the area, on each side as much more of the page as `more`
 * points, and as what begins in the area goes on over its edge, as far as 54 points. `items`: what lies on the page.
 *
 * Laws: it holds the area (as far as that lies on the page) and lies on the page; what lies elsewhere changes nothing;
 * with more ink it never becomes smaller. Cost: O(items²) of those that lie near the area.
 */
export function cutOf(
  area: Box,
  items: readonly Item[],
  page: { readonly width: number; readonly height: number },
  more = 0,
): Box {
  const most = grown(area, Math.max(more, MOST_OVER))
  const near = items.map((item) => boxOfBounds(boundsOfItem(item))).filter((box) => holds(most, middle(box)))
  const lying = goingOn(
    near.filter((box) => holds(area, middle(box))),
    near.filter((box) => !holds(area, middle(box))),
  )
  const cut = around([grown(area, more), ...lying.map((box) => shared(most, grown(box, RIM)))])
  return shared(cut, { x: 0, y: 0, width: page.width, height: page.height })
}

/** The boxes, with those of others that go on from them, letter by letter along the line. */
function goingOn(begun: readonly Box[], others: readonly Box[]): Box[] {
  const all = [...begun]
  let left = others
  for (let at = 0; at < all.length; at++) {
    const { x, y, width, height } = all[at]!
    const reach = { x: x - GOES_ON, y, width: width + 2 * GOES_ON, height }
    all.push(...left.filter((box) => sharedArea(reach, box) > 0))
    left = left.filter((box) => sharedArea(reach, box) === 0)
  }
  return all
}

const grown = ({ x, y, width, height }: Box, by: number): Box => ({
  x: x - by,
  y: y - by,
  width: width + 2 * by,
  height: height + 2 * by,
})
