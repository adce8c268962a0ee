import { betterReading, type ClockReading, readingOf } from './clock.ts'

/** Counts on whatever the clock of this device is set to meanwhile. */
const count = () => performance.now()

let reading: ClockReading | undefined

/** Asks something whose answer says what time it is at school, and learns it. */
export async function learningTime<Told extends { readonly now: number }>(
  ask: () => Promise<Told>,
): Promise<Told> {
  const asked = count()
  const told = await ask()
  reading = betterReading(reading, readingOf(told.now, asked, count()))
  return told
}

/** The time at school, in milliseconds since 1970, whatever the clock of this device shows. */
export const schoolNow = (): number => (reading ? count() + reading.ahead : Date.now())

/** A moment that school told, as the clock of this device would have shown it. */
export const onThisClock = (moment: number): number => moment - (schoolNow() - Date.now())
