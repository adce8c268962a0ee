import { format, isSameYear, isToday, isTomorrow, isYesterday } from 'date-fns'

/** A moment as people say it: "today 15:00", "tomorrow 9:10", "Fri 4 Dec". */
export function sayWhen(moment: number): string {
  const time = format(moment, 'H:mm')
  if (isToday(moment)) return `today ${time}`
  if (isTomorrow(moment)) return `tomorrow ${time}`
  if (isYesterday(moment)) return `yesterday ${time}`
  return format(moment, isSameYear(moment, Date.now()) ? 'EEE d MMM' : 'd MMM yyyy')
}

/** When it is due, said so that lateness is a word and not only a colour. */
export function sayDue(dueAt: number | null, now = Date.now()): string | undefined {
  if (dueAt === null) return undefined
  return dueAt < now ? `was due ${sayWhen(dueAt)}` : `due ${sayWhen(dueAt)}`
}

const SMALL = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
]

/** A count with its thing: "nine copies", "one copy", "24 copies". */
export function count(number: number, one: string, many: string): string {
  return `${SMALL[number] ?? number} ${number === 1 ? one : many}`
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}
