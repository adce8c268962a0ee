import { Worker } from 'node:worker_threads'

interface Waiting {
  done(answer: unknown): void
  failed(error: unknown): void
}

/** A thread that has loaded one module and answers calls to it, one after the other. */
class Workshop {
  readonly #worker: Worker
  readonly #waiting = new Map<number, Waiting>()
  #nextId = 1

  constructor(script: URL, onEnd: () => void) {
    this.#worker = new Worker(new URL('./workerEntry.mjs', import.meta.url), {
      workerData: { script: script.href },
      // Without this process's own loader, which workerEntry.mjs registers when it is time.
      execArgv: [],
      resourceLimits: { maxOldGenerationSizeMb: 2048 },
    })
    this.#worker.on('message', ({ id, answer, error }) => {
      const waiting = this.#waiting.get(id)
      if (error === undefined) waiting?.done(answer)
      else waiting?.failed(error)
    })
    const end = (error: unknown) => {
      onEnd()
      for (const waiting of this.#waiting.values()) waiting.failed(error)
      this.#waiting.clear()
    }
    this.#worker.once('error', end)
    this.#worker.once('exit', () => end(new Error('the worker ended')))
    this.#worker.unref()
  }

  async call(name: string, task: unknown, seconds: number): Promise<unknown> {
    const id = this.#nextId++
    let timer: NodeJS.Timeout | undefined
    try {
      return await new Promise((done, failed) => {
        this.#waiting.set(id, { done, failed })
        // Keeps the process until the answer is there: an idle workshop does not.
        this.#worker.ref()
        this.#worker.postMessage({ id, name, task })
        timer = setTimeout(() => {
          failed(new Error(`${name} took too long`))
          void this.#worker.terminate()
        }, seconds * 1000)
      })
    } finally {
      clearTimeout(timer)
      this.#waiting.delete(id)
      if (this.#waiting.size === 0) this.#worker.unref()
    }
  }
}

const workshops = new Map<string, Workshop>()

/**
 * Calls the exported function `name` of `script` with `task` in a thread of its own, so that the
 * server goes on answering while it works. The thread stays for the next call. Task and answer are
 * copied between the threads. Rejects when the function throws, the thread dies (out of memory), or
 * it takes longer than `seconds`; the next call gets a new thread.
 */
export async function inWorker<Answer>(
  script: URL,
  name: string,
  task: unknown,
  seconds: number,
): Promise<Answer> {
  let workshop = workshops.get(script.href)
  if (!workshop) {
    const made = new Workshop(script, () => {
      if (workshops.get(script.href) === made) workshops.delete(script.href)
    })
    workshops.set(script.href, made)
    workshop = made
  }
  return (await workshop.call(name, task, seconds)) as Answer
}
