import type { KeptEvent, Layer, SignedEvent } from '@hand-back/core'
import { Problem } from '../../api/ask.ts'
import { within } from '../../api/within.ts'

/** Where the past of a copy stands: at school, and as far as it was read on this device. */
export interface PastSources {
  /** The whole log, from school. */
  ask(): Promise<readonly KeptEvent[]>
  /** What this device has read, in any order, with repeats. */
  read(): Promise<readonly KeptEvent[]>
  /** What was made here and waits to be sent. */
  readonly pending: readonly SignedEvent[]
}

/** How long school may take, in milliseconds, before the device's own reading must do. */
const PATIENCE = 5000
const NO_ANSWER = new Problem('School does not answer just now. Try again in a moment.', 0)

/**
 * Everything that happened to a copy: as school has it or, out of its reach, as this device has read it;
 * then what waits here. Rejects as `ask` does when this device has nothing either.
 */
export async function readPast(
  { ask, read, pending }: PastSources,
  patience = PATIENCE,
): Promise<KeptEvent[]> {
  const there = await within(ask(), patience, NO_ANSWER).catch(async (error) => {
    const here = unbroken(await read())
    if (here.length === 0 && pending.length === 0) throw error
    return here
  })
  const known = new Set(there.map(({ id }) => id))
  return [
    ...there,
    ...waiting(
      pending.filter(({ id }) => !known.has(id)),
      there,
    ),
  ]
}

/** Each event once, each layer only as far as nothing is missing. */
function unbroken(events: readonly KeptEvent[]): KeptEvent[] {
  const next: Partial<Record<Layer, number>> = {}
  return [...events]
    .sort((a, b) => a.seq - b.seq)
    .filter(({ layer, seq }) => {
      if (seq !== (next[layer] ?? 1)) return false
      next[layer] = seq + 1
      return true
    })
}

/** What waits comes after everything that is kept, whatever this device's clock says. */
function waiting(pending: readonly SignedEvent[], kept: readonly KeptEvent[]): KeptEvent[] {
  const last = kept.reduce((latest, { keptAt }) => Math.max(latest, keptAt), 0)
  const from = kept.reduce((most, { seq }) => Math.max(most, seq), 0)
  return pending.map((event, index) => ({
    ...event,
    seq: from + 1 + index,
    keptAt: Math.max(last, event.madeAt),
  }))
}
