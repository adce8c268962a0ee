import { z } from 'zod'
import { madeId } from '../ink/stroke.ts'
import { rises, second, turns } from './talk.ts'

/** More things than this are not remembered. */
export const MOST_THINGS_SHOWN = 10_000

/** What of what is printed comes while a printed voice speaks, and on which page one is meanwhile. */
export const shows = z.strictObject({
  /** At which second which printed thing was there, by its id. */
  things: z
    .array(z.tuple([second, madeId]))
    .max(MOST_THINGS_SHOWN)
    .refine(rises),
  turns,
})
export type Shows = z.infer<typeof shows>

/** The same of things and pages that have other ids now; what has none keeps its own. */
export function showsOf(
  { things, turns }: Shows,
  ids: ReadonlyMap<string, string>,
  pages: ReadonlyMap<string, string>,
): Shows {
  return {
    things: things.map(([second, id]) => [second, ids.get(id) ?? id]),
    turns: turns.map(([second, id]) => [second, pages.get(id) ?? id]),
  }
}
