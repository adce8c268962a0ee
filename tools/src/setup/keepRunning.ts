/** Something that runs until it ends or is stopped. */
export interface Running {
  /** Fulfilled when it has ended, however. */
  readonly ended: Promise<void>
}

export interface Keeping {
  /** Starts it, again after each end. May reject: that counts as an end. */
  start(): Promise<Running>
  /** Fulfilled when it is to end. */
  readonly stopped: Promise<void>
  pause(milliseconds: number): Promise<void>
  now(): number
  say(sentence: string): void
}

const FIRST_PAUSE = 500
const LONGEST_PAUSE = 30_000
/** What ran this long was well: the next pause is the first again, in milliseconds. */
const WELL_AFTER = 60_000

/**
 * Keeps something running: whenever it ends it is started again, after a pause that doubles as long as it
 * keeps ending soon. Returns only when it is to be stopped, however often it ends before.
 */
export async function keepRunning({ start, stopped, pause, now, say }: Keeping): Promise<void> {
  let over = false
  const ending = stopped.then(() => {
    over = true
  })
  let wait = FIRST_PAUSE
  while (!over) {
    const began = now()
    try {
      const running = await start()
      await Promise.race([running.ended, ending])
    } catch (error) {
      say((error as { sentence?: string }).sentence ?? String(error))
    }
    if (over) return
    if (now() - began > WELL_AFTER) wait = FIRST_PAUSE
    say(`The server ended. It is started again in ${wait / 1000} s.`)
    await Promise.race([pause(wait), ending])
    wait = Math.min(LONGEST_PAUSE, wait * 2)
  }
}
