/** How long a browser may look for the end of a recording, in milliseconds. */
const FINDS_END_WITHIN = 2000

/** A browser goes to a moment of a recording only once it knows how long it is: going far past the end tells it. */
export async function makeSeekable(element: HTMLMediaElement): Promise<void> {
  if (Number.isFinite(element.duration)) return
  if (Number.isNaN(element.duration)) await once(element, 'loadedmetadata', () => element.load())
  if (Number.isFinite(element.duration)) return
  await once(element, 'durationchange', () => {
    element.currentTime = 1e101
  })
}

/** Starts something, and waits for its event; not longer than `FINDS_END_WITHIN`. */
export function once(element: HTMLMediaElement, event: string, start: () => void): Promise<void> {
  return new Promise((done) => {
    const over = () => {
      clearTimeout(timer)
      element.removeEventListener(event, over)
      done()
    }
    const timer = setTimeout(over, FINDS_END_WITHIN)
    element.addEventListener(event, over)
    start()
  })
}

let playing: HTMLMediaElement | undefined

/** What is playing halts: somebody speaks. */
export function silence(): void {
  playing?.pause()
}

/** One voice at a time: what was playing halts. */
export function soleSound(element: HTMLMediaElement): void {
  if (playing !== element) playing?.pause()
  playing = element
}
