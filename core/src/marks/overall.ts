import type { Overall } from '../kinds/overall.ts'
import { inSight, type Page, type Placed } from '../log/apply.ts'
import { markId } from './marks.ts'

/** What stands for the whole work, where the id of a question would stand. */
const WHOLE = '00000000-0000-4000-8000-00000000a110'

/** The id of the words about a whole copy in a round: always the same, so that two teachers write the same. */
export const overallId = (copy: string, round: number): string => markId(copy, WHOLE, round)

/** The words about a whole copy: those of the latest round, or of `round`, of what `mayBeSeen`. */
export function overallIn(
  pages: Iterable<Page>,
  round?: number,
  mayBeSeen: (placed: Placed) => boolean = () => true,
): Overall | undefined {
  let latest: { item: Overall; round: number } | undefined
  for (const page of pages)
    for (const placed of inSight(page)) {
      const { item, layer } = placed
      if (item.kind !== 'overall' || layer !== 'feedback' || !mayBeSeen(placed)) continue
      if (round !== undefined && placed.round !== round) continue
      if (!latest || latest.round <= placed.round) latest = { item, round: placed.round }
    }
  return latest?.item
}
