import { scaleItem } from '../kinds/printed.ts'
import type { Box } from './box.ts'
import { paperBoxOf, type WorksheetPage } from './page.ts'

/**
 * A page at another size. `keep`: everything keeps its size and place, more or less paper shows.
 * `scale`: everything grows or shrinks together until it fits. Ruled papers rule the new size at their
 * true measure either way.
 */
export function resizePage(
  page: WorksheetPage,
  size: { width: number; height: number },
  way: 'keep' | 'scale',
): WorksheetPage {
  const factor = way === 'keep' ? 1 : Math.min(size.width / page.width, size.height / page.height)
  const old = paperBoxOf(page)
  const paperBox = {
    x: old.x * factor,
    y: old.y * factor,
    width: old.width * factor,
    height: old.height * factor,
  }
  const { paperBox: _old, ...rest } = page
  return {
    ...rest,
    ...size,
    ...(page.paper.kind === 'ruled' || sameBox(paperBox, size) ? {} : { paperBox }),
    printed: factor === 1 ? page.printed : page.printed.map((item) => scaleItem(item, factor)),
  }
}

function sameBox(box: Box, size: { width: number; height: number }): boolean {
  const near = (a: number, b: number) => Math.abs(a - b) < 0.01
  return near(box.x, 0) && near(box.y, 0) && near(box.width, size.width) && near(box.height, size.height)
}
