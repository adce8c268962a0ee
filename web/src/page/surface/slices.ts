/** So long work goes on at once, in milliseconds: hands and frames come between. */
const SLICE = 8

/**
 * Does work in slices that give way to hands and frames, and then `done`; returns how to stop it. `work`
 * yields wherever it may be interrupted.
 */
export function inSlices(work: Iterator<void>, done: () => void): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined
  const slice = () => {
    const until = performance.now() + SLICE
    while (performance.now() < until)
      if (work.next().done) {
        done()
        return
      }
    timer = setTimeout(slice)
  }
  timer = setTimeout(slice)
  return () => clearTimeout(timer)
}
