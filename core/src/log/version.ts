import type { Nib } from '../ink/stroke.ts'
import type { Sheet } from '../worksheet/sheet.ts'

/** In which way events are written now. */
export const LOG_VERSION = 2

/** An event of whatever version, as far as versions differ. */
interface Told {
  readonly items?: readonly unknown[] | undefined
}

/**
 * What brings an event from one version to the next: `UPGRADES[1]` from 1 to 2. Each does nothing to what it
 * has been done to before. A log is never rewritten; what was written long ago is brought up to date each
 * time that it is read.
 */
const UPGRADES: Readonly<Record<number, (told: Told) => Told>> = { 1: withNibsOfNow }

/** The event as it would be written now. Throws for one that a newer version of the house has written. */
export function upToDate<Event extends object>(event: Event, version: number): Event {
  if (version > LOG_VERSION) throw new Error(`this log was written by a newer Hand Back (${version})`)
  let now: Told = event
  for (let at = version; at < LOG_VERSION; at++) now = UPGRADES[at]!(now)
  return now as Event
}

/** What nibs were called in version 1 that are called something else now; they draw what they drew. */
const NIBS_BEFORE: Readonly<Record<string, Nib>> = { marker: 'felt tip', brush: 'paintbrush' }

function withNibsOfNow(told: Told): Told {
  const old = told.items?.some(nibBefore)
  if (!old) return told
  return {
    ...told,
    items: told.items!.map((item) => (nibBefore(item) ? { ...item, nib: NIBS_BEFORE[item.nib] } : item)),
  }
}

/** The same for a sheet that a device has kept since before: its ink, wherever it lies in it. */
export const sheetUpToDate = (sheet: Sheet): Sheet =>
  JSON.parse(
    JSON.stringify(sheet, (name, value) => (name === 'nib' && NIBS_BEFORE[String(value)]) || value),
  ) as Sheet

const nibBefore = (item: unknown): item is { nib: string } =>
  typeof item === 'object' && item !== null && 'nib' in item && String(item.nib) in NIBS_BEFORE
