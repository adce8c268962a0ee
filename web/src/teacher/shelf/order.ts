import type { WorksheetCard } from '@hand-back/core'

export type Order = 'latest' | 'title' | 'used'

/** Worksheets in an order; those that are equal in it, latest first. */
export function sorted(worksheets: readonly WorksheetCard[], order: Order): WorksheetCard[] {
  const latest = [...worksheets].sort((a, b) => b.changedAt - a.changedAt)
  if (order === 'title') return latest.sort((a, b) => a.title.localeCompare(b.title))
  if (order === 'used') return latest.sort((a, b) => b.timesHandedOut - a.timesHandedOut)
  return latest
}

/**
 * Sorted worksheets by their units. The unit of the first comes first, so that what is newest, or most
 * handed out, is at the top; by title, units stand in the order of the alphabet and those in none last.
 */
export function byUnit(
  worksheets: readonly WorksheetCard[],
  order: Order,
): { unit: string; worksheets: WorksheetCard[] }[] {
  const units = new Map<string, WorksheetCard[]>()
  for (const worksheet of worksheets)
    units.set(worksheet.unit, [...(units.get(worksheet.unit) ?? []), worksheet])
  const standing = [...units].map(([unit, those]) => ({ unit, worksheets: those }))
  if (order !== 'title') return standing
  return standing.sort(
    (a, b) => Number(a.unit === '') - Number(b.unit === '') || a.unit.localeCompare(b.unit),
  )
}
