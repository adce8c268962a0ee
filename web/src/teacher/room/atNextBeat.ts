/** What is seen from across the room is drawn again so often, in milliseconds: all of it in one frame. */
const BEAT = 120

const waiting = new Set<() => void>()

/** Runs something at the next beat, together with whatever else waits for it; asked twice, once. */
export function atNextBeat(run: () => void): void {
  if (waiting.size === 0) setTimeout(beat, BEAT)
  waiting.add(run)
}

function beat(): void {
  const now = [...waiting]
  waiting.clear()
  for (const each of now) each()
}
