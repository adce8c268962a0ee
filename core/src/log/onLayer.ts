import type { Placed } from './apply.ts'
import type { Layer } from './events.ts'
import type { CopyLog } from './log.ts'

/** Whether anything lies on a layer of a page of a copy; `seen` says what counts, left out: everything. */
export function isOnLayer(
  log: Pick<CopyLog, 'pages'>,
  page: string,
  layer: Layer,
  seen: (placed: Placed) => boolean = () => true,
): boolean {
  for (const placed of log.pages.get(page)?.placed.values() ?? [])
    if (!placed.taken && placed.layer === layer && seen(placed)) return true
  return false
}
