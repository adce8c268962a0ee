import { z } from 'zod'

/** The shortest and the longest time that is counted down, in seconds. */
export const LEAST_SECONDS = 10
export const MOST_SECONDS = 3 * 60 * 60

/** How long *time is up* stands, in milliseconds. */
const UP_LASTS = 10 * 60_000

/** Time that is counted down: it runs until `endsAt` (milliseconds since 1970), or stands with `left` milliseconds. */
export const timer = z.union([z.object({ endsAt: z.number() }), z.object({ left: z.number().min(0) })])
export type Timer = z.infer<typeof timer>

/** What is left of it, in milliseconds; 0: it is up. */
export const timeLeft = (of: Timer, now: number): number =>
  'left' in of ? of.left : Math.max(0, of.endsAt - now)

/** Whether it is of this lesson still: it was up ten minutes ago at most. */
export const isTimed = (of: Timer | null, now: number): of is Timer =>
  of !== null && ('left' in of || now < of.endsAt + UP_LASTS)

export const isRunning = (of: Timer): of is { endsAt: number } => 'endsAt' in of

/** Stopped, with what is left. */
export const paused = (of: Timer, now: number): Timer => ({ left: timeLeft(of, now) })

/** It runs on from where it was stopped. */
export const goneOn = (of: Timer, now: number): Timer => ({ endsAt: now + timeLeft(of, now) })

/** With so many seconds more, or fewer, and never more than the longest; what was up begins again from now. */
export function prolonged(of: Timer, seconds: number, now: number): Timer {
  const left = Math.min(MOST_SECONDS * 1000, Math.max(0, timeLeft(of, now) + seconds * 1000))
  return isRunning(of) ? { endsAt: now + left } : { left }
}

/** As it stands on a wall: minutes and seconds, with hours where there are any. */
export function sayTime(left: number): string {
  const seconds = Math.ceil(left / 1000)
  const two = (value: number) => String(value).padStart(2, '0')
  const [hours, minutes] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60]
  return hours > 0 ? `${hours}:${two(minutes)}:${two(seconds % 60)}` : `${minutes}:${two(seconds % 60)}`
}
