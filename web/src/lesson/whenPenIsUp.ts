/** A page that is turned under a pen waits so long for it at most, in milliseconds. */
const PATIENCE = 3000

let isDown = false
addEventListener('pointerdown', () => (isDown = true), true)
for (const end of ['pointerup', 'pointercancel'] as const) addEventListener(end, () => (isDown = false), true)

/** Does something once no pen, finger or button is down, so that nothing is taken from under it. Returns how to give it up. */
export function whenPenIsUp(then: () => void): () => void {
  if (!isDown) {
    then()
    return () => {}
  }
  const done = () => {
    stop()
    then()
  }
  const timer = setTimeout(done, PATIENCE)
  const up = () => setTimeout(done)
  addEventListener('pointerup', up)
  addEventListener('pointercancel', up)
  const stop = () => {
    clearTimeout(timer)
    removeEventListener('pointerup', up)
    removeEventListener('pointercancel', up)
  }
  return stop
}
