import type { Stroke } from '@hand-back/core'
import { pale } from './pale.ts'

/** How one sees what is yet to come. */
export type Coming = 'faint' | 'hidden' | 'shown'

interface Inks {
  /** Before the voice began, … */
  readonly before: readonly Stroke[]
  /** … at the moment that is heard, … */
  readonly now: readonly Stroke[]
  /** … and when it ended. */
  readonly after: readonly Stroke[]
}

/** The ink on a page of a talk-through, from below. What is yet to come lies under what is there: a stroke that is written covers its own. */
export function strokesSeen({ before, now, after }: Inks, coming: Coming): readonly Stroke[] {
  if (coming === 'shown') return after
  return coming === 'hidden' ? now : [...strokesToCome(before, after).map(pale), ...now]
}

function strokesToCome(before: readonly Stroke[], after: readonly Stroke[]): Stroke[] {
  const there = new Set(before.map(({ id }) => id))
  return after.filter(({ id }) => !there.has(id))
}
