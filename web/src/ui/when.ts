import { isSameYear, isToday, isTomorrow, isYesterday } from 'date-fns'

/** What days and months are called. date-fns' own `format` would bring every form that it knows to each device. */
const NAMES = new Intl.DateTimeFormat('en-GB', { weekday: 'short', month: 'short' })

/**
 * A moment as people say it: "today 15:00", "tomorrow 9:10", "Fri 4 Dec 8:00". The last minute of a day is
 * the day itself: "tomorrow", "Fri 4 Dec". With `seconds`, to the second.
 */
export function sayWhen(moment: number, seconds = false): string {
  const date = new Date(moment)
  const time = isEndOfDay(date) && !seconds ? '' : ` ${clock(date, seconds)}`
  if (isToday(moment)) return `today${time}`
  if (isTomorrow(moment)) return `tomorrow${time}`
  if (isYesterday(moment)) return `yesterday${time}`
  const { weekday, month } = Object.fromEntries(
    NAMES.formatToParts(date).map(({ type, value }) => [type, value]),
  )
  const day = `${date.getDate()} ${month!.slice(0, 3)}`
  return isSameYear(moment, Date.now()) ? `${weekday} ${day}${time}` : `${day} ${date.getFullYear()}`
}

/** The time of a day: "9:05", "15:00:07". */
function clock(date: Date, seconds: boolean): string {
  const two = (part: number) => String(part).padStart(2, '0')
  const time = `${date.getHours()}:${two(date.getMinutes())}`
  return seconds ? `${time}:${two(date.getSeconds())}` : time
}

/** A day without a time lasts until its last minute. */
export const isEndOfDay = (date: Date): boolean => date.getHours() === 23 && date.getMinutes() === 59

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
