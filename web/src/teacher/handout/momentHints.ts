import { isEndOfDay, sayWhen } from '../../ui/when.ts'

/** What a date to hand in means, as it is being given; `empty` is said while there is none. */
export function dueHint(dueAt: number | null, empty: string, opensAt: number | null = null): string {
  if (dueAt === null) return empty
  if (opensAt !== null && dueAt < opensAt) return 'That is before it opens.'
  if (dueAt < Date.now()) return 'That moment has passed; it will show as late.'
  return isEndOfDay(new Date(dueAt)) ? `Until the end of ${sayWhen(dueAt)}.` : ''
}

/** The same for when it opens. */
export function opensHint(opensAt: number | null): string {
  if (opensAt === null) return 'Empty: at once.'
  const date = new Date(opensAt)
  return date.getHours() === 0 && date.getMinutes() === 0 ? 'From the beginning of that day.' : ''
}
