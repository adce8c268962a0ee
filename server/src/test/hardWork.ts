/** Work for a process to try its limits with. */
export const double = (value: number): number => value * 2

export function fails(sentence: string): never {
  throw new Error(sentence)
}

export function neverEnds(): void {
  for (;;) {}
}

/** Takes so many megabytes, and holds them. */
export function takeMemory(megabytes: number): number {
  const held: Buffer[] = []
  for (let taken = 0; taken < megabytes; taken += 20) {
    held.push(Buffer.alloc(20 * 1024 * 1024, 1))
    // As fast as a file unpacks.
    Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 10)
  }
  return held.length
}

/** Takes so many milliseconds, and tells from when to when. */
export async function spend(milliseconds: number): Promise<[from: number, to: number]> {
  const from = Date.now()
  await new Promise((done) => setTimeout(done, milliseconds))
  return [from, Date.now()]
}

/** So many bytes, each a 7. */
export const sevens = (count: number) => new Uint8Array(count).fill(7)

/** Tells each number up to `to`. */
export function counts(to: number, tell: (done: number) => void): string {
  for (let done = 1; done <= to; done++) tell(done)
  return 'counted'
}
