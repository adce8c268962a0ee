import type { WorksheetCard } from '@hand-back/core'

export type Order = 'latest' | 'title' | 'used'

/** Worksheets in an order; those that are equal in it, latest first. */
export function sorted(worksheets: readonly WorksheetCard[], order: Order): WorksheetCard[] {
  const latest = [...worksheets].sort((a, b) => b.changedAt - a.changedAt)
  if (order === 'title') return latest.sort((a, b) => a.title.localeCompare(b.title))
  if (order === 'used') return latest.sort((a, b) => b.timesHandedOut - a.timesHandedOut)
  return latest
}

/** Worksheets by their units, which stand in the order of the alphabet; those in none come last. */
export function byUnit(
  worksheets: readonly WorksheetCard[],
): { unit: string; worksheets: WorksheetCard[] }[] {
  const units = new Map<string, WorksheetCard[]>()
  for (const worksheet of worksheets)
    units.set(worksheet.unit, [...(units.get(worksheet.unit) ?? []), worksheet])
  return [...units]
    .map(([unit, standing]) => ({ unit, worksheets: standing }))
    .sort((a, b) => Number(a.unit === '') - Number(b.unit === '') || a.unit.localeCompare(b.unit))
}
