/** What `work` brings, unless it takes longer than `patience` milliseconds: then rejects with `late`. */
export function within<T>(work: Promise<T>, patience: number, late: Error): Promise<T> {
  return new Promise((done, failed) => {
    const timer = setTimeout(() => failed(late), patience)
    work.then(done, failed).finally(() => clearTimeout(timer))
  })
}
