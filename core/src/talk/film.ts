import type { Replay, Shown } from './replay.ts'
import { pageOpenAt } from './talk.ts'

/** A picture of a film: what is seen from a second on, and for how many. */
export interface FilmFrame {
  readonly second: number
  readonly seconds: number
  readonly shown: Shown
  /** The page that was open; nothing where none is remembered. */
  readonly page: string | undefined
}

/** No picture stands longer, in seconds: who jumps into the film sees one at once. */
const LONGEST_STILL = 5

/**
 * The pictures of a film of a talk-through, in order and without a gap: a new one only where something is other, at
 * most `rate` a second. The last shows what was there when the voice ended. Cost: O(seconds × rate + log events).
 */
export function* filmFrames(replay: Replay, rate: number): Generator<FilmFrame> {
  const { talk, seconds } = replay.through
  const steps = Math.max(1, Math.ceil(seconds * rate))
  let from = 0
  let shown = replay.at(steps === 1 ? seconds : 0)
  let page = pageOpenAt(talk, 0)
  for (let step = 1; step < steps; step++) {
    const second = step / rate
    const next = replay.at(step === steps - 1 ? seconds : second)
    const open = pageOpenAt(talk, second)
    if (next === shown && open === page && second - from < LONGEST_STILL) continue
    yield { second: from, seconds: second - from, shown, page }
    from = second
    shown = next
    page = open
  }
  yield { second: from, seconds: seconds - from, shown, page }
}
